//! How the answer may look: colours and width, decided once and passed on.

use anstyle::{AnsiColor, Style};
use fallow_lantern_core::model::Severity;

/// What the terminal can show.
#[derive(Debug, Clone, Copy)]
pub(crate) struct Look {
    /// Columns of the terminal, if it is one.
    pub(crate) columns: Option<usize>,
    /// Columns that text is broken at.
    pub(crate) width: usize,
    /// Whether to colour.
    pub(crate) color: bool,
}

/// Narrower than this nothing is laid out, wider than that nothing is read.
const WIDTHS: std::ops::RangeInclusive<usize> = 60..=140;

impl Look {
    /// The look of a file.
    pub(crate) const PLAIN: Self = Self { columns: None, width: 100, color: false };

    /// The look of standard output: a pipe has no width of its own.
    pub(crate) fn of_stdout() -> Self {
        let color = !matches!(anstream::AutoStream::choice(&std::io::stdout()), anstream::ColorChoice::Never);
        let columns =
            terminal_size::terminal_size_of(std::io::stdout()).map(|(width, _)| usize::from(width.0));
        let width = columns.unwrap_or(100).clamp(*WIDTHS.start(), *WIDTHS.end());
        Self { columns, width, color }
    }

    fn style(self, style: Style) -> Style {
        if self.color { style } else { Style::new() }
    }

    /// Headings.
    pub(crate) fn strong(self) -> Style {
        self.style(Style::new().bold())
    }

    /// What is less important.
    pub(crate) fn faint(self) -> Style {
        self.style(Style::new().dimmed())
    }

    /// A severity's own style; its word is always written as well.
    pub(crate) fn severity(self, severity: Severity) -> Style {
        let color = match severity {
            Severity::Error => AnsiColor::Red,
            Severity::Warning => AnsiColor::Yellow,
            Severity::Note => AnsiColor::Cyan,
        };
        self.style(Style::new().bold().fg_color(Some(color.into())))
    }
}
