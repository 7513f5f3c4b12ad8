rootProject.name = "borrowbarn"
enableFeaturePreview("TYPESAFE_PROJECT_ACCESSORS")
include(":members", ":counter", ":shelf")
