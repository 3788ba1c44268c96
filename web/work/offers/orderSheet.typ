// The crew order of a tree on one page, later years on pages of their own: large, to be read at arm's length in wet gloves.
// Everything that is said comes as data and is set as text, never as markup.
#let order = json(bytes(sys.inputs.order))
#let ink = json(bytes(sys.inputs.inks))
#let size = float(sys.inputs.size) * 1pt

#set document(title: "Crew order: " + order.tree, author: order.firm)
#set text(font: "Atkinson Hyperlegible Next", size: size, lang: "en", fill: rgb(ink.ink))
#set par(leading: 0.5em, spacing: 0.6em)
#set page(
  paper: if order.paper == "letter" { "us-letter" } else { "a4" },
  margin: (top: 28pt, bottom: 36pt, x: 32pt),
  footer: context {
    set text(size: 8pt)
    order.foot
    h(1fr)
    counter(page).display("1 of 1", both: true)
  },
)
#show heading: it => block(above: 0.7em, below: 0.45em, text(size: 1.1em, it.body))

#let tick = box(width: 1.1em, height: 1.1em, stroke: 1.2pt + rgb(ink.ink), baseline: 0.2em)
#let figures(body) = text(font: "Spline Sans Mono", size: 0.92em, body)
#let step(s) = if s.stop {
  block(width: 100%, breakable: false, fill: rgb(ink.wash), inset: (x: 6pt, y: 5pt), {
    tick
    h(0.5em)
    strong("Stop: ")
    s.title
    h(1fr)
    text(size: 0.8em, "signed ______________")
  })
} else {
  block(width: 100%, breakable: false, stroke: (bottom: 0.6pt + rgb(ink.ink)), inset: (y: 5pt), grid(
    columns: (1.7em, 1fr),
    tick,
    {
      strong(s.title)
      if s.when != "" { text(size: 0.85em, "  " + s.when) }
      parbreak()
      s.text
      if s.amounts != "" { parbreak(); figures(s.amounts) }
      if s.done != "" { parbreak(); strong("Done when: "); s.done }
    },
  ))
}

#{
  show heading: it => block(below: 0.3em, text(size: 2em, it.body))
  heading(level: 1, order.tree)
}
#order.about
#if order.never.len() > 0 {
  block(width: 100%, stroke: 3pt + rgb(ink.harm), inset: 8pt, text(size: 1.35em, weight: "bold", "Never cut: " + order.never.join(", ")))
}
#for clash in order.clashes { block(stroke: (left: 3pt + rgb(ink.harm)), inset: (left: 8pt), clash) }
#if order.truck != "" { block({ strong("On the truck: "); order.truck }) }
#if "svg" in order {
  align(center, box(stroke: 1pt + rgb(ink.ink), image(bytes(order.svg), format: "svg", height: float(sys.inputs.drawing) * 1pt, alt: order.alt)))
}
#heading(level: 2, "In this order")
#for s in order.now { step(s) }
#if order.cautions.len() > 0 {
  block(breakable: false, stroke: (left: 3pt + rgb(ink.harm)), inset: (left: 8pt), {
    set text(size: 0.85em)
    strong("With care")
    list(..order.cautions)
  })
}
#metadata("end of the first page") <now>
#for year in order.later {
  pagebreak()
  {
    show heading: it => block(below: 0.3em, text(size: 1.6em, it.body))
    heading(level: 1, order.tree + ", " + year.year)
  }
  for s in year.steps { step(s) }
}
