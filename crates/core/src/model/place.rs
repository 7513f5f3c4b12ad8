use schemars::JsonSchema;
use serde::{Deserialize, Serialize};

/// A stretch of one file, in bytes from its start, the end excluded.
#[derive(Debug, Clone, Copy, PartialEq, Eq, PartialOrd, Ord, Hash, Default)]
pub struct Span {
    /// First byte.
    pub start: u32,
    /// One past the last byte.
    pub end: u32,
}

impl Span {
    /// A span from byte offsets.
    #[must_use]
    pub fn new(start: usize, end: usize) -> Self {
        let clamp = |n: usize| u32::try_from(n).unwrap_or(u32::MAX);
        Self { start: clamp(start), end: clamp(end) }
    }

    /// How many bytes it spans.
    #[must_use]
    pub fn width(self) -> u32 {
        self.end.saturating_sub(self.start)
    }

    /// Whether another span lies inside this one.
    #[must_use]
    pub fn holds(self, other: Self) -> bool {
        self.start <= other.start && other.end <= self.end
    }
}

/// A place in the scanned source: 1-based lines, 1-based columns in characters.
#[derive(Debug, Clone, PartialEq, Eq, PartialOrd, Ord, Hash, Serialize, Deserialize, JsonSchema)]
pub struct Place {
    /// Path from the scanned root, with `/`.
    pub file: String,
    /// First line.
    pub line: u32,
    /// First column.
    pub column: u32,
    /// Last line.
    pub end_line: u32,
    /// One past the last column.
    pub end_column: u32,
}
