//! One page with everything in it: it opens from disk, asks nothing of the network, and shows all text
//! from the source as text.

mod data;
mod pictures;

use crate::Failure;
use base64::Engine as _;
use base64::engine::general_purpose::STANDARD;
use fallow_lantern_core::Scan;
use fallow_lantern_core::model::Gaps;
use fallow_lantern_core::network::Network;
use minijinja::value::Serde;
use minijinja::{AutoEscape, Environment, Value, context};
use sha2::{Digest, Sha256};

const TEMPLATE: &str = include_str!("page.html");
const STYLE: &str = include_str!("style.css");
const SCRIPT: &str = include_str!("script.js");

/// Writes the page.
pub(crate) fn page(scan: &Scan, gaps: Option<&Gaps>) -> Result<String, Failure> {
    let network = Network::new(&scan.document);
    let pictures = pictures::pictures(&network)?;
    let data = data::data(scan, &network, gaps, &pictures);
    let style = format!("{}\n{STYLE}", crate::format::map::STYLE);
    // The policy names the page's own style sheet and script by their hashes; nothing else may run.
    let policy = format!(
        "default-src 'none'; style-src '{}'; script-src '{}'; base-uri 'none'; form-action 'none'",
        hash(&style),
        hash(SCRIPT)
    );
    let json = serde_json::to_string(&data).map_err(std::io::Error::other)?;
    let mut environment = Environment::new();
    environment.set_auto_escape_callback(|_| AutoEscape::Html);
    let rendered = environment.render_str(
        TEMPLATE,
        context! {
            title => &scan.document.root,
            policy,
            style,
            script => SCRIPT,
            data => inert(&json),
            legend => pictures::legend(&network)?,
            pictures => Value::from(Serde(&pictures)),
            document => Value::from(Serde(&scan.document)),
            gaps => gaps.map(|gaps| Value::from(Serde(gaps))),
        },
    );
    rendered.map_err(|error| Failure::Picture(error.to_string()))
}

/// JSON that no parser of HTML can read as anything else: `<` never stands in it.
fn inert(json: &str) -> String {
    json.replace('<', "\\u003c").replace('>', "\\u003e").replace('&', "\\u0026")
}

fn hash(text: &str) -> String {
    format!("sha256-{}", STANDARD.encode(Sha256::digest(text.as_bytes())))
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn data_cannot_end_its_script() {
        let json = inert(r#"{"name":"</script><script>alert(1)"}"#);
        assert!(!json.contains('<'));
        let back: serde_json::Value = serde_json::from_str(&json).expect("still JSON");
        assert_eq!(back["name"], "</script><script>alert(1)");
    }
}
