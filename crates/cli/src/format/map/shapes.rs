//! The outlines of nodes: what a node is shows in its form.

use fallow_lantern_core::map::{Frame, Shape};

/// The outline of a shape as SVG path data.
pub(super) fn outline(shape: Shape, frame: Frame) -> String {
    let Frame { x, y, width, height } = frame;
    let (right, bottom) = (x + width, y + height);
    let cut = (height / 2.0).min(10.0);
    match shape {
        Shape::Screen | Shape::Unknown => rounded(frame, 6.0),
        Shape::App => rounded(frame, height / 2.0),
        Shape::Activity | Shape::Cluster => format!("M{x:.1} {y:.1}H{right:.1}V{bottom:.1}H{x:.1}Z"),
        Shape::Dialog => format!(
            "M{:.1} {y:.1}H{:.1}L{right:.1} {:.1}V{:.1}L{:.1} {bottom:.1}H{:.1}L{x:.1} {:.1}V{:.1}Z",
            x + cut,
            right - cut,
            y + cut,
            bottom - cut,
            right - cut,
            x + cut,
            bottom - cut,
            y + cut
        ),
        Shape::Sheet => format!(
            "M{x:.1} {bottom:.1}V{:.1}Q{x:.1} {y:.1} {:.1} {y:.1}H{:.1}Q{right:.1} {y:.1} {right:.1} {:.1}V{bottom:.1}Z",
            y + 16.0,
            x + 16.0,
            right - 16.0,
            y + 16.0
        ),
        Shape::Tab => {
            format!("M{x:.1} {bottom:.1}L{:.1} {y:.1}H{:.1}L{right:.1} {bottom:.1}Z", x + cut, right - cut)
        }
        Shape::Undeclared => format!(
            "M{:.1} {y:.1}H{:.1}L{right:.1} {:.1}L{:.1} {bottom:.1}H{:.1}L{x:.1} {:.1}Z",
            x + cut,
            right - cut,
            y + height / 2.0,
            right - cut,
            x + cut,
            y + height / 2.0
        ),
    }
}

/// A second line inside or behind a shape.
pub(super) fn second(shape: Shape, frame: Frame) -> Option<String> {
    match shape {
        Shape::Activity => {
            let Frame { x, y, width, height } = frame;
            let inner = Frame { x: x + 3.0, y: y + 3.0, width: width - 6.0, height: height - 6.0 };
            Some(outline(Shape::Activity, inner))
        }
        Shape::Cluster => {
            let Frame { x, y, width, height } = frame;
            let (right, bottom) = (x + width, y + height);
            Some(format!(
                "M{:.1} {bottom:.1}V{:.1}H{:.1}V{:.1}H{right:.1}",
                x + 4.0,
                bottom + 4.0,
                right + 4.0,
                y + 4.0
            ))
        }
        _ => None,
    }
}

/// The bar with an arrow's point that marks a way into the app.
pub(super) fn entry(frame: Frame) -> String {
    let (x, top, bottom) = (frame.x, frame.y + 4.0, frame.y + frame.height - 4.0);
    format!(
        "M{x:.1} {top:.1}H{:.1}L{:.1} {:.1}L{:.1} {bottom:.1}H{x:.1}Z",
        x + 5.0,
        x + 11.0,
        (top + bottom) / 2.0,
        x + 5.0
    )
}

fn rounded(frame: Frame, r: f64) -> String {
    let Frame { x, y, width, height } = frame;
    let (right, bottom) = (x + width, y + height);
    format!(
        "M{:.1} {y:.1}H{:.1}A{r:.1} {r:.1} 0 0 1 {right:.1} {:.1}V{:.1}A{r:.1} {r:.1} 0 0 1 {:.1} {bottom:.1}H{:.1}A{r:.1} {r:.1} 0 0 1 {x:.1} {:.1}V{:.1}A{r:.1} {r:.1} 0 0 1 {:.1} {y:.1}Z",
        x + r,
        right - r,
        y + r,
        bottom - r,
        right - r,
        x + r,
        bottom - r,
        y + r,
        x + r
    )
}

/// A smooth line through points, as SVG path data.
pub(super) fn curve(points: &[(f64, f64)]) -> String {
    let [first, rest @ ..] = points else { return String::new() };
    let mut data = format!("M{:.1} {:.1}", first.0, first.1);
    let mut at = *first;
    for (i, &point) in rest.iter().enumerate() {
        // Through the middle of each inner stretch, with the points between as handles.
        let end = match rest.get(i + 1) {
            Some(next) => ((point.0 + next.0) / 2.0, (point.1 + next.1) / 2.0),
            None => point,
        };
        if rest.len() == 1 {
            let middle = (at.0 + end.0) / 2.0;
            data += &format!("C{middle:.1} {:.1} {middle:.1} {:.1} {:.1} {:.1}", at.1, end.1, end.0, end.1);
        } else {
            data += &format!("Q{:.1} {:.1} {:.1} {:.1}", point.0, point.1, end.0, end.1);
        }
        at = end;
    }
    data
}

/// The head of an arrow at the end of its line.
pub(super) fn head(points: &[(f64, f64)]) -> String {
    let (Some(&end), Some(&before)) = (points.last(), points.iter().rev().nth(1)) else {
        return String::new();
    };
    // A single stretch is drawn as a curve that arrives level.
    let before = if points.len() == 2 { (before.0, end.1) } else { before };
    let (dx, dy) = (end.0 - before.0, end.1 - before.1);
    let length = dx.hypot(dy).max(0.01);
    let (ux, uy) = (dx / length, dy / length);
    let (bx, by) = (end.0 - 8.0 * ux, end.1 - 8.0 * uy);
    format!(
        "M{:.1} {:.1}L{:.1} {:.1}L{:.1} {:.1}Z",
        end.0,
        end.1,
        bx - 3.6 * uy,
        by + 3.6 * ux,
        bx + 3.6 * uy,
        by - 3.6 * ux
    )
}
