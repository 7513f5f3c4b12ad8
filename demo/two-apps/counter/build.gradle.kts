plugins {
    alias(libs.plugins.android.application)
}

android {
    namespace = "example.borrowbarn.counter"
    defaultConfig { applicationId = "example.borrowbarn.counter" }
}

dependencies {
    implementation(project(":shelf"))
}
