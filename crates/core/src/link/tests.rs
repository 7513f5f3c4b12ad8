//! Linking on its own.
