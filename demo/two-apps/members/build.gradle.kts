plugins {
    alias(libs.plugins.android.application)
}

android {
    namespace = "example.borrowbarn.members"
    defaultConfig { applicationId = "example.borrowbarn.members" }
}

dependencies {
    implementation(projects.shelf)
}
