//! A browser without a window, spoken to by its own protocol
//! (chromedevtools.github.io/devtools-protocol).

use serde_json::{Value, json};
use std::io::{BufRead, BufReader};
use std::net::TcpStream;
use std::path::Path;
use std::process::{Child, Command, Stdio};
use std::time::Duration;
use tempfile::TempDir;
use tungstenite::{Message, WebSocket};

const NAMES: &[&str] = &["chromium", "chromium-browser", "google-chrome"];

/// The browser of this machine, if it has one.
pub(crate) fn find() -> Option<String> {
    let works = |name: &&&str| {
        let run = Command::new(name).arg("--version").stdout(Stdio::null()).stderr(Stdio::null()).status();
        run.is_ok_and(|status| status.success())
    };
    NAMES.iter().find(works).map(|name| (*name).to_owned())
}

/// An open page.
pub(crate) struct Page {
    browser: Child,
    socket: WebSocket<TcpStream>,
    session: String,
    last: u64,
    /// What the page asked for, and what went wrong in it.
    pub(crate) requests: Vec<String>,
    pub(crate) errors: Vec<String>,
    _profile: TempDir,
}

impl Page {
    /// Opens a file in a browser of its own.
    pub(crate) fn open(file: &Path) -> Self {
        let profile = TempDir::new().expect("a temporary folder");
        let mut browser = Command::new(find().expect("a browser"))
            .args(["--headless", "--no-sandbox", "--disable-gpu", "--remote-debugging-port=0"])
            .args(["--no-first-run", "--window-size=1280,800"])
            .arg(format!("--user-data-dir={}", profile.path().display()))
            .arg("about:blank")
            .stdout(Stdio::null())
            .stderr(Stdio::piped())
            .spawn()
            .expect("the browser starts");
        let stderr = browser.stderr.take().expect("its messages");
        let mut lines = BufReader::new(stderr).lines().map_while(Result::ok);
        let address = lines
            .find_map(|line| line.strip_prefix("DevTools listening on ").map(str::to_owned))
            .expect("the browser says where it listens");
        // It must not wait for somebody to read what else it has to say.
        std::thread::spawn(move || lines.for_each(drop));
        let host = address.trim_start_matches("ws://").split('/').next().expect("a host");
        let stream = TcpStream::connect(host).expect("the browser listens");
        stream.set_read_timeout(Some(Duration::from_secs(30))).expect("a time limit");
        let (socket, _) = tungstenite::client(address.as_str(), stream).expect("the browser answers");
        let mut page = Self {
            browser,
            socket,
            session: String::new(),
            last: 0,
            requests: Vec::new(),
            errors: Vec::new(),
            _profile: profile,
        };
        let target = page.ask("Target.createTarget", json!({ "url": "about:blank" }));
        let attach = json!({ "targetId": target["targetId"], "flatten": true });
        page.session =
            page.ask("Target.attachToTarget", attach)["sessionId"].as_str().expect("a session").into();
        for domain in ["Page", "Runtime", "Network", "Log"] {
            page.ask(&format!("{domain}.enable"), json!({}));
        }
        page.ask("Page.navigate", json!({ "url": format!("file://{}", file.display()) }));
        page.wait("document.readyState === 'complete' && !!document.querySelector('nav [aria-current]')");
        page
    }

    /// Asks the browser for something; what happens meanwhile is noted.
    pub(crate) fn ask(&mut self, method: &str, params: Value) -> Value {
        self.last += 1;
        let mut message = json!({ "id": self.last, "method": method, "params": params });
        if !self.session.is_empty() {
            message["sessionId"] = json!(self.session);
        }
        self.socket.send(Message::text(message.to_string())).expect("the browser listens");
        loop {
            let answer = self.socket.read().expect("the browser answers");
            let Ok(text) = answer.to_text() else { continue };
            let answer: Value = serde_json::from_str(text).unwrap_or_default();
            if answer["id"] == json!(self.last) {
                assert!(answer["error"].is_null(), "{method}: {answer:#}");
                return answer["result"].clone();
            }
            self.note(&answer);
        }
    }

    fn note(&mut self, event: &Value) {
        let text = |value: &Value| value.as_str().unwrap_or_default().to_owned();
        match event["method"].as_str() {
            Some("Network.requestWillBeSent") => self.requests.push(text(&event["params"]["request"]["url"])),
            Some("Runtime.exceptionThrown") => self.errors.push(event["params"].to_string()),
            Some("Log.entryAdded") if event["params"]["entry"]["level"] == "error" => {
                self.errors.push(text(&event["params"]["entry"]["text"]));
            }
            _ => {}
        }
    }

    /// What an expression of the page comes to.
    pub(crate) fn value(&mut self, expression: &str) -> Value {
        let asked = json!({ "expression": expression, "returnByValue": true });
        let answer = self.ask("Runtime.evaluate", asked);
        assert!(answer["exceptionDetails"].is_null(), "{expression}: {answer:#}");
        answer["result"]["value"].clone()
    }

    /// The text of the first element of a selector.
    pub(crate) fn text(&mut self, selector: &str) -> String {
        let value = self.value(&format!("(document.querySelector({selector:?}) || {{}}).textContent || ''"));
        value.as_str().unwrap_or_default().to_owned()
    }

    /// Waits until an expression holds.
    #[track_caller]
    pub(crate) fn wait(&mut self, expression: &str) {
        for _ in 0..200 {
            if self.value(expression) == json!(true) {
                return;
            }
            std::thread::sleep(Duration::from_millis(25));
        }
        panic!("never true: {expression}");
    }

    /// Clicks with the mouse in the middle of what an expression finds.
    pub(crate) fn click(&mut self, element: &str) {
        let at = self.value(&format!(
            "(() => {{ const e = {element}; e.scrollIntoView({{block: 'center'}}); const b = e.getBoundingClientRect(); return [b.x + b.width / 2, b.y + b.height / 2]; }})()"
        ));
        for kind in ["mousePressed", "mouseReleased"] {
            let event = json!({ "type": kind, "x": at[0], "y": at[1], "button": "left", "clickCount": 1 });
            self.ask("Input.dispatchMouseEvent", event);
        }
    }

    /// Types a text.
    pub(crate) fn type_text(&mut self, text: &str) {
        self.ask("Input.insertText", json!({ "text": text }));
    }

    /// Presses a key that has a name.
    pub(crate) fn press(&mut self, key: &str) {
        let text = match key {
            "Enter" => "\r",
            key if key.len() == 1 => key,
            _ => "",
        };
        self.ask("Input.dispatchKeyEvent", json!({ "type": "keyDown", "key": key, "text": text }));
        self.ask("Input.dispatchKeyEvent", json!({ "type": "keyUp", "key": key }));
    }
}

impl Drop for Page {
    fn drop(&mut self) {
        let _ = self.browser.kill();
        let _ = self.browser.wait();
    }
}
