//! C#: what its lens makes of it.
