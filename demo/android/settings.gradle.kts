rootProject.name = "borrowbarn"

include(":app", ":loans")
