[app]
title = Borrowbarn Kiosk
package.name = kiosk
package.domain = example.borrowbarn
source.dir = .
source.include_exts = py,kv
requirements = python3,kivy
