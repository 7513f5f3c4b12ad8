plugins {
    alias(libs.plugins.android.library)
}

android {
    namespace = "example.borrowbarn.shelf"
}
