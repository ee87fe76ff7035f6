/** How the sheets look: black on white, told apart by weight and line, never by colour. Lengths in px of the browser. */
export const SHEET_STYLE = `
.sheet { font-family: Zest, sans-serif; font-size: 13px; color: #000; font-variant-numeric: tabular-nums; line-height: 1.25 }
.sheet h1 { font-size: 22px; margin: 0 }
.sheet h2 { font-size: 16px; margin: 14px 0 4px; break-after: avoid }
.sheet p { margin: 2px 0 }
.sheet pre { font: inherit; font-weight: 500; white-space: pre-wrap; margin: 4px 0 8px }
.sheet .page { break-after: page }
.sheet .page:last-child { break-after: auto }
.sheet .drawing { break-inside: avoid; margin-top: 8px }
.sheet table { border-collapse: collapse; width: 100%; table-layout: fixed; margin-bottom: 8px }
.sheet thead { display: table-header-group }
.sheet tbody { break-inside: avoid }
.sheet th, .sheet td { border: 1px solid #000; padding: 2px 4px; text-align: right; vertical-align: middle; overflow: hidden }
.sheet th { font-weight: 700; vertical-align: bottom; font-size: 12px }
.sheet th:first-child, .sheet td:first-child { text-align: left; font-weight: 700 }
.sheet .boxes tr:nth-child(2) th { text-align: center }
.sheet .boxes col.who { width: 132px }
.sheet .boxes col.target { width: 58px }
.sheet .boxes th.block { text-align: left; border-left-width: 2px }
.sheet .boxes th.target, .sheet .boxes td.target { border-left-width: 2px; font-weight: 700; font-size: 14px }
.sheet .boxes td.box { height: 26px }
.sheet .boxes td.over { padding-top: 6px; font-weight: 500; border-top-width: 2px }
.sheet .boxes td.over b { font-size: 15px }
.sheet .boxes .calls { font-size: 12px }
.sheet .marks td { border: 0; border-bottom: 1px solid #777; font-size: 12px }
.sheet .cards { display: grid; grid-template-columns: 1fr 1fr; grid-template-rows: repeat(4, 246px); gap: 6px }
.sheet .card { border: 1px dashed #000; padding: 7px 9px; overflow: hidden; break-inside: avoid; display: flex; flex-direction: column; gap: 3px }
.sheet .card .head { display: flex; justify-content: space-between; gap: 8px; border-bottom: 2px solid #000 }
.sheet .card .name { font-size: 16px; font-weight: 700; white-space: nowrap }
.sheet .card .line { display: flex; justify-content: space-between; gap: 6px }
.sheet .card .time { font-weight: 700; font-size: 16px; white-space: nowrap }
.sheet .card .small { font-size: 11px }
.sheet .card .boxes { display: flex; flex-wrap: wrap; gap: 3px; margin-top: auto }
.sheet .card .boxes span { border: 1px solid #000; width: 36px; height: 20px; font-size: 9px; padding: 0 2px }
.sheet .card.dense { font-size: 11px; gap: 1px }
.sheet .card.dense .time { font-size: 12px }
.sheet .card.dense .boxes span { width: 27px; height: 15px }
`;
