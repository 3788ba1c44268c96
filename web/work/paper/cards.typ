// Marker cards to be cut apart, and the sheet on which leaves are photographed. All sizes come as data, mm.
#let it = json(bytes(sys.inputs.cards))

#set document(title: "Marker cards", author: "Undrel")
#set text(font: "Atkinson Hyperlegible Next", size: 9pt, lang: "en")
#set page(paper: if it.paper == "letter" { "us-letter" } else { "a4" }, margin: 0pt)

#let marker(m, side) = image(bytes(m.svg), format: "svg", width: side * 1mm, alt: "Marker " + str(m.id))

#let card(m) = box(
  width: it.card.width * 1mm, height: it.card.height * 1mm, stroke: (paint: luma(150), thickness: 0.4pt, dash: "dashed"),
  {
    let top = (it.card.height - it.side) / 2 - it.card.up
    place(dx: (it.card.width - it.side) / 2 * 1mm, dy: top * 1mm, marker(m, it.side))
    // The arrow points the way the card's upper edge does.
    place(dx: 10mm, dy: (top + it.side + 9) * 1mm, polygon(
      fill: black, (6mm, 0mm), (12mm, 9mm), (8mm, 9mm), (8mm, 20mm), (4mm, 20mm), (4mm, 9mm), (0mm, 9mm),
    ))
    place(dx: 27mm, dy: (top + it.side + 8) * 1mm, box(width: 65mm, {
      text(size: 22pt, weight: "bold")[Card #m.id]
      linebreak()
      [Black square: #it.side mm from side to side. Measure it after printing. Lay the card flat, whole, white rim in view.]
    }))
  },
)

#align(center + horizon, grid(columns: 2, ..it.cards.map(card)))

#pagebreak()

#let sheet-at(x, y, body) = place(center + horizon, dx: x * 1mm, dy: -y * 1mm, body)
#for m in it.leaf.markers { sheet-at(m.x, m.y, marker(m, it.leaf.side)) }
#for p in it.leaf.patches {
  sheet-at(p.x, p.y, rect(width: it.leaf.patch * 1mm, height: it.leaf.patch * 1mm, fill: rgb(..p.colour)))
}
#sheet-at(0, 86, text(fill: luma(120))[Leaf sheet: lay five leaves or more on the white, none over another, none over the patches. Even shade, no flash.])
