/** Paper and ink, so that the pictures of other people's controls stand out; on paper as on a screen. */
export const reportStyle = `
:root { --ink: #1d2326; --soft: #566066; --line: #d5d9d6; --sheet: #fbfaf6; --differs: #a03b12; color-scheme: light; }
body { max-width: 1080px; margin: 0 auto; padding: 24px; color: var(--ink); background: var(--sheet); font: 14px/1.5 "IBM Plex Sans", system-ui, sans-serif; }
h1 { margin: 0; font-size: 24px; }
h2 { margin: 32px 0 8px; font-size: 18px; border-bottom: 2px solid var(--ink); }
h3 { margin: 20px 0 4px; font-size: 15px; }
h4 { margin: 0 0 4px; font-size: 14px; font-weight: 600; }
p { max-width: 100ch; margin: 2px 0; }
small, .why, figcaption, .line, caption { color: var(--soft); font-weight: 400; }
.mark { vertical-align: -2px; }
.key span { margin-right: 16px; }
article { padding: 10px 0; border-top: 1px solid var(--line); break-inside: avoid; }
.on { padding-left: 18px; text-indent: -18px; }
.standing { padding: 0 6px; color: var(--differs); border: 1px solid currentColor; font-size: 12px; }
.decision { font-style: italic; }
.pictures { display: flex; flex-wrap: wrap; gap: 8px 20px; margin: 6px 0; align-items: end; }
figure { margin: 0; }
img { display: block; max-width: 100%; height: auto; background: #fff; }
pre { margin: 4px 0; padding: 6px 10px; overflow: auto; background: #f1efe8; font: 12px/1.5 "IBM Plex Mono", ui-monospace, monospace; white-space: pre-wrap; }
del { text-decoration: none; color: var(--soft); }
ins { text-decoration: none; font-weight: 600; }
ins::before { content: "+ "; }
del::before { content: "− "; }
table { border-collapse: collapse; margin: 8px 0; }
caption { text-align: left; }
th, td { padding: 4px 12px 4px 0; text-align: left; vertical-align: top; border-bottom: 1px solid var(--line); font-weight: 400; }
thead th { color: var(--soft); }
.summary td, .n { text-align: right; font-variant-numeric: tabular-nums; }
.survey { display: block; overflow-x: auto; }
.survey tr { break-inside: avoid; }
@media print { body { max-width: none; padding: 0; background: #fff; --sheet: #fff; font-size: 11px; } a { color: inherit; } .survey { display: table; overflow: visible; } pre { background: none; border: 1px solid var(--line); } }
`;
