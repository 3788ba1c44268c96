// Labels for trees, to be cut apart: the code that opens the tree, and its name for people. All of it comes as data.
#let it = json(bytes(sys.inputs.labels))

#set document(title: "Labels: " + it.name, author: it.firm)
#set text(font: "Atkinson Hyperlegible Next", size: 9pt, lang: "en")
#set page(paper: if it.paper == "letter" { "us-letter" } else { "a4" }, margin: (x: 12mm, y: 14mm))

#let label(t) = box(
  width: 60mm, height: 32mm, stroke: (paint: luma(150), thickness: 0.4pt, dash: "dashed"), inset: 3mm, clip: true,
  grid(
    columns: (26mm, 1fr), column-gutter: 3mm, align: horizon,
    image(bytes(t.svg), format: "svg", width: 26mm, alt: "QR code of " + t.label),
    {
      let long = t.label.clusters().len()
      text(size: if long <= 14 { 15pt } else if long <= 40 { 10pt } else { 7pt }, weight: "bold", t.label)
      parbreak()
      text(size: 7pt, it.firm)
    },
  ),
)

#grid(columns: 3, gutter: 2mm, ..it.trees.map(label))
