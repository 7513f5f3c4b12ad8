//! The synthetic app: the demo's modules over and over under other names, and beside each navigating
//! file five that only do what most files of an app do.

use std::fs;
use std::io;
use std::path::{Path, PathBuf};

/// Of this many files one holds navigation.
const ONE_IN: usize = 6;

const SETTINGS: &str = "settings.gradle.kts";

/// What a language's files without navigation look like.
struct Filler {
    extension: &'static str,
    /// Where a file goes, by copy and number.
    path: fn(usize, usize) -> String,
    text: fn(usize, usize) -> String,
}

const FILLERS: &[Filler] = &[
    Filler {
        extension: "dart",
        path: |copy, number| format!("app{copy}/lib/plain/plain_{number}.dart"),
        text: plain_dart,
    },
    Filler {
        extension: "tsx",
        path: |copy, number| format!("app{copy}/src/plain/Plain{number}.tsx"),
        text: plain_script,
    },
    Filler {
        extension: "swift",
        path: |copy, number| format!("app{copy}/Plain/Plain{number}.swift"),
        text: plain_swift,
    },
    Filler {
        extension: "py",
        path: |copy, number| format!("app{copy}/plain/plain_{number}.py"),
        text: plain_python,
    },
    Filler {
        extension: "cs",
        path: |copy, number| format!("app{copy}/Plain/Plain{number}.cs"),
        text: plain_csharp,
    },
    Filler {
        extension: "kt",
        path: |copy, number| {
            format!("app{copy}/src/main/java/org/borrowbarn/app{copy}/plain/Plain{number}.kt")
        },
        text: plain_kotlin,
    },
];

/// Writes an app of about `files` files and gives its lines.
pub(crate) fn write(from: &Path, to: &Path, files: usize) -> io::Result<usize> {
    let templates = templates(from)?;
    let code = templates.iter().filter(|(path, _)| is_code(path)).count().max(1);
    let has = |filler: &&Filler| templates.iter().any(|(path, _)| has_extension(path, filler.extension));
    let filler_of = FILLERS.iter().find(has).unwrap_or(&FILLERS[FILLERS.len() - 1]);
    let mut lines = 0;
    let mut written = 0;
    let mut copy = 0;
    while written < files {
        for (path, text) in &templates {
            let navigates = is_code(path);
            let path = varied(&path.to_string_lossy(), copy);
            lines += put(&to.join(path), &varied(text, copy))?;
            written += 1;
            for filler in 0..if navigates { ONE_IN - 1 } else { 0 } {
                let number = copy * code * ONE_IN + written * ONE_IN + filler;
                lines += put(&to.join((filler_of.path)(copy, number)), &(filler_of.text)(copy, number))?;
                written += 1;
            }
            if written >= files {
                break;
            }
        }
        copy += 1;
    }
    if templates.iter().any(|(path, _)| path.ends_with(SETTINGS)) {
        lines += join(to, copy)?;
    }
    Ok(lines)
}

/// Gradle's settings, and the first copy's build file, which makes one app of all copies.
fn join(to: &Path, copies: usize) -> io::Result<usize> {
    let modules = (0..copies).flat_map(|copy| [format!("app{copy}"), format!("loans{copy}")]);
    let modules: Vec<String> = modules.filter(|module| to.join(module).is_dir()).collect();
    let included: Vec<String> = modules.iter().map(|module| format!("\":{module}\"")).collect();
    let lines = put(&to.join(SETTINGS), &format!("include({})\n", included.join(", ")))?;
    let path = to.join("app0/build.gradle.kts");
    let needed = included.iter().filter(|module| *module != "\":app0\"");
    let needed: String = needed.map(|module| format!("    implementation(project({module}))\n")).collect();
    let build = format!("{}\ndependencies {{\n{needed}}}\n", fs::read_to_string(&path)?);
    Ok(lines + put(&path, &build)?)
}

/// Files of the app the synthetic one is made from, with paths from its root.
fn templates(from: &Path) -> io::Result<Vec<(PathBuf, String)>> {
    let mut found = Vec::new();
    let mut folders = vec![from.to_owned()];
    while let Some(folder) = folders.pop() {
        for entry in fs::read_dir(folder)? {
            let path = entry?.path();
            if path.is_dir() {
                folders.push(path);
            } else if let Ok(relative) = path.strip_prefix(from) {
                found.push((relative.to_owned(), fs::read_to_string(&path)?));
            }
        }
    }
    found.sort();
    Ok(found)
}

fn has_extension(path: &Path, wanted: &str) -> bool {
    path.extension().is_some_and(|extension| extension == wanted)
}

fn is_code(path: &Path) -> bool {
    let code = ["cs", "dart", "java", "js", "kt", "py", "swift", "ts", "tsx"];
    code.iter().any(|extension| has_extension(path, extension))
}

/// What is started is the first copy, with all others in it.
fn kind(copy: usize) -> &'static str {
    if copy == 0 { "application" } else { "library" }
}

/// A copy's names: modules, packages, graphs, layouts and addresses of its own.
fn varied(text: &str, copy: usize) -> String {
    let renamed = [
        ("borrowbarn.app", format!("borrowbarn.app{copy}")),
        ("borrowbarn/app/", format!("borrowbarn/app{copy}/")),
        ("borrowbarn.loans", format!("borrowbarn.loans{copy}")),
        ("borrowbarn/loans/", format!("borrowbarn/loans{copy}/")),
        ("borrowbarn://", format!("borrowbarn{copy}://")),
        ("\":loans\"", format!("\":loans{copy}\"")),
        ("com.android.application", format!("com.android.{}", kind(copy))),
        ("main_graph", format!("main_graph{copy}")),
        ("loans_graph", format!("loans_graph{copy}")),
        ("ReturnsRoutes", format!("ReturnsRoutes{copy}")),
        ("activity_main", format!("activity_main{copy}")),
        ("ActivityMain", format!("ActivityMain{copy}")),
        ("package:repairs", format!("package:repairs{copy}")),
        ("name: repairs", format!("name: repairs{copy}")),
        ("Repairs", format!("Repairs{copy}")),
    ];
    let mut text = text.to_owned();
    for (from, to) in renamed {
        text = text.replace(from, &to);
    }
    let whole = [
        "lib/",
        "packages/",
        "android/",
        "pubspec.yaml",
        "App/",
        "Desk/",
        "Packages/",
        "BorrowbarnTests/",
        "project.yml",
        "buildozer.spec",
        "kiosk",
        "main.py",
        "tests/",
        "Phone/",
        "Shared/",
        "Desk.Tests/",
    ];
    if whole.iter().any(|start| text.starts_with(start)) && !text.contains('\n') {
        return format!("app{copy}/{text}");
    }
    let modules = ["app", "loans", "old"];
    let own = modules.iter().find_map(|module| {
        let rest = text.strip_prefix(module)?.strip_prefix('/')?;
        Some(format!("{module}{copy}/{rest}"))
    });
    own.unwrap_or(text)
}

/// A file without navigation: a component, some data, some arithmetic.
fn plain_script(_copy: usize, number: usize) -> String {
    let mut text = format!(
        "import React from 'react';\nimport {{ Text, View }} from 'react-native';\n\n\
         export interface Plain{number} {{ id: number; name: string; weight: number }}\n\n\
         export const Card{number} = ({{ value }}: {{ value: Plain{number} }}) => (\n  <View>\n    \
         <Text>{{value.name}}</Text>\n  </View>\n);\n"
    );
    for step in 0..24 {
        text.push_str(&format!(
            "\nexport function step{step}(values: Plain{number}[], limit = {step}): Plain{number}[] {{\n  \
             const kept = values.filter((value) => value.weight > limit && value.name.length > 2);\n  \
             return kept.map((value) => ({{ ...value, weight: value.weight + limit }}));\n}}\n"
        ));
    }
    text
}

/// The same in Swift.
fn plain_swift(_copy: usize, number: usize) -> String {
    let mut text = format!(
        "import Foundation\n\n/// Keeps counts of tools on shelf {number}.\n\
         final class Plain{number} {{\n    private let limit: Int\n    private var counts: [String: Int] = [:]\n\n    \
         init(limit: Int) {{\n        self.limit = limit\n    }}\n"
    );
    for method in 0..12 {
        text.push_str(&format!(
            "\n    func count{method}(_ name: String, by amount: Int = {method}) -> Int {{\n        \
             let before = counts[name] ?? 0\n        let after = max(before + amount, limit * {number})\n        \
             if after > before {{\n            counts[name] = after\n        }}\n        \
             return counts.values.filter {{ $0 > {method} }}.reduce(0) {{ $0 + $1 * 2 }}\n    }}\n"
        ));
    }
    text.push_str("}\n");
    text
}

/// The same in Python.
fn plain_python(_copy: usize, number: usize) -> String {
    let mut text = format!(
        "import math\n\n\nclass Plain{number}:\n    \"\"\"Keeps counts of tools on shelf {number}.\"\"\"\n\n    \
         def __init__(self, limit):\n        self.limit = limit\n        self.counts = {{}}\n"
    );
    for method in 0..12 {
        text.push_str(&format!(
            "\n    def count{method}(self, name, by={method}):\n        \
             before = self.counts.get(name, 0)\n        after = max(before + by, self.limit * {number})\n        \
             if after > before:\n            self.counts[name] = math.floor(after)\n        \
             return sum(value * 2 for value in self.counts.values() if value > {method})\n"
        ));
    }
    text
}

/// The same in C#.
fn plain_csharp(_copy: usize, number: usize) -> String {
    let mut text = format!(
        "using System;\nusing System.Collections.Generic;\nusing System.Linq;\n\nnamespace Borrowbarn.Plain\n{{\n    \
         /// <summary>Keeps counts of tools on shelf {number}.</summary>\n    public class Plain{number}\n    {{\n        \
         private readonly int _limit;\n        private readonly Dictionary<string, int> _counts = new Dictionary<string, int>();\n\n        \
         public Plain{number}(int limit)\n        {{\n            _limit = limit;\n        }}\n"
    );
    for method in 0..12 {
        text.push_str(&format!(
            "\n        public int Count{method}(string name, int by = {method})\n        {{\n            \
             var before = _counts.ContainsKey(name) ? _counts[name] : 0;\n            \
             var after = Math.Max(before + by, _limit * {number});\n            \
             if (after > before)\n            {{\n                _counts[name] = after;\n            }}\n\n            \
             return _counts.Values.Where(value => value > {method}).Sum(value => value * 2);\n        }}\n"
        ));
    }
    text.push_str("    }\n}\n");
    text
}

/// A file without navigation: data, a repository, some arithmetic.
fn plain_dart(_copy: usize, number: usize) -> String {
    let mut text = format!(
        "import 'dart:math';\n\n/// Keeps counts of tools on shelf {number}.\n\
         class Plain{number} {{\n  Plain{number}(this.limit);\n\n  final int limit;\n  final _counts = <String, int>{{}};\n"
    );
    for method in 0..12 {
        text.push_str(&format!(
            "\n  int count{method}(String name, {{int by = {method}}}) {{\n    \
             final before = _counts[name] ?? 0;\n    \
             final after = max(before + by, limit * {number});\n    \
             if (after > before) {{\n      _counts[name] = after;\n    }}\n    \
             return _counts.values.where((it) => it > {method}).fold(0, (sum, it) => sum + it * 2);\n  }}\n"
        ));
    }
    text.push_str("}\n");
    text
}

/// The same in Kotlin.
fn plain_kotlin(copy: usize, number: usize) -> String {
    let mut text = format!(
        "package org.borrowbarn.app{copy}.plain\n\nimport kotlin.math.max\n\n/** Keeps counts of tools on shelf {number}. */\n\
         class Plain{number}(private val limit: Int) {{\n    private val counts = mutableMapOf<String, Int>()\n"
    );
    for method in 0..12 {
        text.push_str(&format!(
            "\n    fun count{method}(name: String, by: Int = {method}): Int {{\n        \
             val before = counts[name] ?: 0\n        \
             val after = max(before + by, limit * {number})\n        \
             if (after > before) {{\n            counts[name] = after\n        }}\n        \
             return counts.values.filter {{ it > {method} }}.sumOf {{ it * 2 }}\n    }}\n"
        ));
    }
    text.push_str("}\n");
    text
}

fn put(path: &Path, text: &str) -> io::Result<usize> {
    if let Some(folder) = path.parent() {
        fs::create_dir_all(folder)?;
    }
    fs::write(path, text)?;
    Ok(text.lines().count())
}
