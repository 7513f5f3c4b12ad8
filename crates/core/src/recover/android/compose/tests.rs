//! tests
