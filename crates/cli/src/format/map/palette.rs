//! Colours of maps. Hues are told apart by the colour-blind (blue-green, brick, ochre, slate), and
//! none carries a meaning that a form or a word does not carry as well.

/// The style sheet of a map. Variables let a page put its own in their place.
pub(crate) const STYLE: &str = "\
.map{--paper:#fbfaf6;--ink:#1f2a30;--faint:#5d6a70;--line:#7d8a90;--fill:#ffffff;--edge:#46545b;\
--way:#0b6b78;--brick:#a8391f;--ochre:#8a5f00;--slate:#44548c;--box:#f1efe7;--box-edge:#cfcabb}\
.map text{font-family:'DejaVu Sans',Verdana,sans-serif;font-size:10.5px;fill:var(--faint,#5d6a70)}\
.map .paper{fill:#fbfaf6}\
.map .name{font-size:13px;font-weight:bold;fill:#1f2a30}\
.map .body{fill:#ffffff;stroke:#46545b;stroke-width:1.2}\
.map .second{fill:none;stroke:#46545b;stroke-width:1}\
.map .entry{fill:#0b6b78;stroke:none}\
.map .entry-node .body{stroke:#0b6b78;stroke-width:1.8}\
.map .orphan .body{stroke:#8a5f00;stroke-width:1.8;stroke-dasharray:7 4}\
.map .unreachable .body{stroke:#44548c;stroke-width:1.8;stroke-dasharray:2 4}\
.map .vain .body{fill:#fff6f2;stroke:#a8391f;stroke-width:1.8;stroke-dasharray:7 4}\
.map .mark{fill:#46545b}\
.map .mark.error{fill:#a8391f;font-weight:bold}\
.map .mark.warning{fill:#8a5f00;font-weight:bold}\
.map .arrow{fill:none;stroke:#7d8a90;stroke-width:1.3}\
.map .arrow.inside{stroke-dasharray:2 3}\
.map .arrow.vain{stroke:#a8391f;stroke-dasharray:6 4}\
.map .head{fill:#7d8a90}\
.map .head.vain{fill:#a8391f}\
.map .count{fill:#1f2a30}\
.map .halo{fill:#fbfaf6;opacity:.85}\
.map .box{fill:#f1efe7;stroke:#cfcabb;stroke-width:1}\
.map .box.deep{fill:#e9e6da}\
.map .box-name{fill:#5d6a70;font-weight:bold}\
.map .title{font-size:13px;font-weight:bold;fill:#1f2a30}";
