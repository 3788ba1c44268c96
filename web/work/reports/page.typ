// How a document is set on paper. Everything that is said comes as data and is set as text, never as markup.
#let doc = json(bytes(sys.inputs.doc))
#let ink = json(bytes(sys.inputs.inks))

#let under = (x: none, top: none, bottom: 0.5pt + rgb(ink.hair))
#let muted(body) = text(fill: rgb(ink.muted), body)
#let big(body) = text(size: 13pt, body)
#let figures(body) = text(font: "Spline Sans Mono", weight: "bold", body)
// What is read aloud has plain spaces.
#let spoken(it) = it.replace("\u{202f}", " ")
// One row, not parted between two pages.
#let whole(body) = block(breakable: false, body)

#let proof = if "proof" in sys.inputs { json(bytes(sys.inputs.proof)) } else { none }

#set document(
  title: doc.stamp + ": " + doc.title,
  author: doc.firm,
  keywords: if proof == none { () } else { (proof.seal,) },
)
#set text(font: "Atkinson Hyperlegible Next", size: 10pt, lang: doc.at("language", default: "en"), fill: rgb(ink.ink))
// A figure and its unit stay in one line; the fonts have the thin space alone.
#show regex("[\d.,]+\u{202f}\S+"): it => box(it.text.replace("\u{202f}", "\u{2009}"))
#set par(leading: 0.55em, spacing: 0.75em)
#set list(marker: [–], indent: 0pt, body-indent: 0.6em)
#set page(
  paper: if doc.paper == "letter" { "us-letter" } else { "a4" },
  margin: (top: 48pt, bottom: 56pt, x: 40pt),
  footer: context {
    set text(size: 8pt)
    muted({ doc.foot; h(1fr); counter(page).display(if doc.at("language", default: "en") == "de" { "1 von 1" } else { "1 of 1" }, both: true) })
  },
)
#show heading.where(level: 1): it => block(
  width: 100%, above: 16pt, below: 8pt, sticky: true,
  stroke: (top: 1pt + rgb(ink.ink)), inset: (top: 5pt),
  text(size: 13pt, it.body),
)
#show heading.where(level: 2): it => block(above: 11pt, below: 6pt, sticky: true, text(size: 11pt, it.body))

#let set-block = (
  text: b => par(
    if b.at("tone", default: none) == "lead" { big(b.text) }
    else if b.at("tone", default: none) == "strong" { big(strong(b.text)) }
    else if b.at("tone", default: none) == "muted" { muted(b.text) }
    else { b.text }
  ),
  heading: b => heading(level: 2, bookmarked: false, b.text),
  pairs: b => grid(
    columns: (42%, 1fr),
    inset: (x, _) => (left: if x == 0 { 0pt } else { 8pt }, right: 0pt, y: 3pt),
    stroke: under,
    ..b.rows.map(row => (
      whole(row.name),
      whole({
        if row.at("figure", default: false) { figures(row.value) } else { row.value }
        if "small" in row { linebreak(); text(size: 8pt, muted(row.small)) }
      }),
    )).flatten(),
  ),
  table: b => table(
    columns: b.widths.map(w => w * 1fr),
    inset: (left: 0pt, right: 4pt, y: 2.5pt),
    stroke: under,
    table.header(..b.head.map(cell => strong(cell))),
    ..b.rows.flatten().map(whole),
  ),
  list: b => {
    let lines = b.lines.map(whole)
    let body = {
      if "title" in b { block(below: 0.6em, sticky: true, strong(b.title)) }
      if b.at("ordered", default: false) { enum(..lines) } else { list(..lines) }
    }
    if b.at("harm", default: false) { block(stroke: (left: 3pt + rgb(ink.harm)), inset: (left: 8pt), body) } else { body }
  },
  figure: b => block(breakable: false, above: 1em, below: 1em, {
    box(stroke: 1pt + rgb(ink.ink), image(bytes(b.svg), format: "svg", width: b.width * 1pt, alt: spoken(b.title)))
    parbreak()
    muted(b.caption)
  }),
  pictures: b => grid(
    columns: (1fr, 1fr), column-gutter: 12pt, row-gutter: 14pt,
    ..b.pictures.map(p => block(breakable: false, {
      box(stroke: 0.5pt + rgb(ink.ink), image(bytes(p.svg), format: "svg", width: 100%, alt: spoken(p.caption)))
      parbreak()
      muted(p.caption)
    })),
  ),
)

#if proof != none {
  let about = (
    "case.json": "The case of the tree in the open format",
    "basis.json": "Visit, schools, table of causes and rates it was worked out from",
    "result.json": "Verdict, work, amounts and costs it came to",
  )
  for (name, text) in proof.files {
    pdf.attach(
      name, bytes(text),
      relationship: "source", mime-type: "application/json", description: about.at(name.split("-").last()),
    )
  }
}

// A head on the first page, or a cover of its own.
#if doc.at("compact", default: false) {
  big({ doc.firm; h(1fr); figures(text(size: 9pt, doc.stamp)) })
  v(14pt)
  {
    show heading: it => block(below: 8pt, text(size: 20pt, it.body))
    heading(level: 1, doc.title)
  }
  for line in doc.lines { block(below: 0.5em, line) }
} else {
  big(doc.firm)
  v(190pt)
  {
    show heading: it => block(below: 14pt, text(size: 30pt, it.body))
    heading(level: 1, doc.title)
  }
  for line in doc.lines { block(below: 0.6em, big(line)) }
  v(20pt)
  figures(doc.stamp)
  if proof == none { v(200pt) } else {
    v(60pt)
    grid(
      columns: (72pt, 1fr), column-gutter: 12pt, align: horizon,
      image(bytes(proof.qr), format: "svg", width: 72pt, alt: "Proof code of this report as a QR code"),
      {
        figures(proof.code)
        parbreak()
        muted[Proof code. The case, and what it was worked out from, are attached to this PDF: anybody can work the report out anew and compare, on the page Verify of Undrel or with the command #raw("npx undrel verify").]
      },
    )
    v(68pt)
  }
  muted(doc.sections.map(section => section.title).join(" · "))
  pagebreak()
}

#for section in doc.sections {
  if section.at("page", default: false) { pagebreak(weak: true) }
  heading(level: 1, section.title)
  for b in section.blocks { set-block.at(b.as)(b) }
}
