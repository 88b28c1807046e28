// Slips for pupils, two to a page. Everything is finished in data.json and the pictures beside it.
#let data = json("data.json")
#let ink = rgb("#23272E")
#let graphite = rgb("#50545B")
#set document(title: "Marking slips")
#set page(paper: data.paper, margin: 12mm)
#set text(font: "Atkinson Hyperlegible Next", size: 11pt, fill: ink)
#set par(leading: 0.62em)

#let slip(it) = box(width: 100%, height: 100%, inset: 7mm, stroke: (paint: graphite, thickness: 0.4pt, dash: "dashed"), {
  grid(columns: (1fr, auto), text(size: 15pt, weight: "bold", it.pupil), text(fill: graphite, it.title))
  v(2mm)
  for line in it.words { block(spacing: 0.8em, line) }
  v(1fr)
  if it.whole != none {
    let detail = it.detail
    grid(
      columns: if detail == none { (auto,) } else { (auto, auto) }, gutter: 6mm, align: bottom,
      box(stroke: 0.4pt + graphite, image(it.whole, height: 62mm)),
      ..if detail == none { () } else { (stack(spacing: 1.6mm,
        box(stroke: 0.4pt + graphite, image(detail, height: 54mm)),
        text(size: 9pt, fill: graphite)[Your line, and dashed where it should go.]),) },
    )
  }
})

#for pair in data.slips.chunks(2) {
  grid(columns: 1fr, rows: (1fr, 1fr), gutter: 5mm, ..pair.map(slip))
}
