//! Seconds and peak memory of a piece of work.

use std::time::Instant;

/// What a piece of work took.
pub(crate) struct Measured<T> {
    pub(crate) seconds: f64,
    /// The most memory that was resident during it, 0 where the system does not say.
    pub(crate) peak_bytes: u64,
    pub(crate) result: T,
}

/// Runs a piece of work and measures it.
pub(crate) fn measured<T>(work: impl FnOnce() -> T) -> Measured<T> {
    reset_peak();
    let start = Instant::now();
    let result = work();
    let seconds = start.elapsed().as_secs_f64();
    Measured { seconds, peak_bytes: peak(), result }
}

/// Linux forgets the peak so far when this is written (man proc_pid_clear_refs).
fn reset_peak() {
    let _ = std::fs::write("/proc/self/clear_refs", "5");
}

fn peak() -> u64 {
    let status = std::fs::read_to_string("/proc/self/status").unwrap_or_default();
    let line = status.lines().find_map(|line| line.strip_prefix("VmHWM:"));
    let kilobytes = line.and_then(|rest| rest.trim().trim_end_matches("kB").trim().parse::<u64>().ok());
    kilobytes.unwrap_or_default() * 1024
}
