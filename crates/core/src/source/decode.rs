//! Bytes to text: byte-order marks, declared encodings, invalid bytes.

use encoding_rs::Encoding;

/// Decoded text and what had to be put up with on the way.
pub(super) struct Decoded {
    pub(super) text: String,
    pub(super) trouble: Option<String>,
}

/// Decodes a file: its byte-order mark decides, then UTF-8, then the encoding that an XML
/// declaration names; what is left is read with replacement characters, so that positions stay.
pub(super) fn decode(bytes: &[u8]) -> Decoded {
    if let Some((encoding, mark)) = Encoding::for_bom(bytes) {
        let (text, _) = encoding.decode_without_bom_handling(&bytes[mark..]);
        return Decoded { text: text.into_owned(), trouble: None };
    }
    match std::str::from_utf8(bytes) {
        Ok(text) => Decoded { text: text.to_owned(), trouble: None },
        Err(error) => declared(bytes).unwrap_or_else(|| {
            let line = bytes[..error.valid_up_to()].iter().filter(|b| **b == b'\n').count() + 1;
            Decoded {
                text: String::from_utf8_lossy(bytes).into_owned(),
                trouble: Some(format!("line {line}: not valid UTF-8; read with the bad bytes replaced")),
            }
        }),
    }
}

fn declared(bytes: &[u8]) -> Option<Decoded> {
    let head = bytes.get(..bytes.len().min(200))?;
    let head = head.strip_prefix(b"<?xml")?;
    let head = String::from_utf8_lossy(head);
    let label = head.split_once("encoding=")?.1.split(['"', '\'']).nth(1)?;
    let encoding = Encoding::for_label(label.as_bytes())?;
    let (text, _, _) = encoding.decode(bytes);
    Some(Decoded { text: text.into_owned(), trouble: None })
}

#[cfg(test)]
mod tests {
    use super::*;

    #[test]
    fn marks_and_declared_encodings_are_followed() {
        let utf16: Vec<u8> =
            std::iter::once(0xFEFF).chain("val ä".encode_utf16()).flat_map(u16::to_le_bytes).collect();
        assert_eq!(decode(&utf16).text, "val ä");
        let latin = b"<?xml version=\"1.0\" encoding=\"ISO-8859-1\"?><a b=\"\xe4\"/>";
        assert!(decode(latin).text.ends_with("<a b=\"ä\"/>"));
        let mixed = decode(b"a\nb\xff c");
        assert_eq!(mixed.text, "a\nb\u{fffd} c");
        assert!(mixed.trouble.is_some_and(|t| t.starts_with("line 2")));
    }
}
