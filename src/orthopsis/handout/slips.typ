// Slips for pupils, eight to a page; one with many words has a page of its own. Everything is
// finished in data.json and the pictures beside it.
#let data = json("data.json")
#let ink = rgb("#23272E")
#let graphite = rgb("#50545B")
#set document(title: "Marking slips")
#set page(paper: data.paper, margin: 8mm)
#set text(font: "Atkinson Hyperlegible Next", size: 9.5pt, fill: ink)
#set par(leading: 0.5em, spacing: 0.7em)

#let words(it) = for line in it.words { block(line) }

// As large as there is room for.
#let fitted(body) = layout(room => {
  let size = (9.5pt, 8.5pt, 7.5pt, 6.5pt).find(size =>
    measure(block(width: room.width, text(size: size, body))).height <= room.height)
  text(size: if size == none { 6.5pt } else { size }, body)
})

#let picture(it, height) = {
  set align(center)
  if it.detail != none {
    image(it.detail, width: 100%, height: height, fit: "contain")
    block(above: 1.4mm, text(size: 7.5pt, fill: graphite)[Your drawing, and what would change.])
  } else if it.whole != none {
    image(it.whole, width: 100%, height: height, fit: "contain")
  }
}

#let head(it) = stack(spacing: 1.8mm,
  grid(columns: (1fr, auto), gutter: 3mm,
    text(size: 12pt, weight: "bold", it.pupil),
    if it.mark != "" { text(size: 10.5pt, weight: "bold", it.mark) }),
  text(size: 8.5pt, fill: graphite, it.about + if it.about != "" { " · " } + it.title))

#let slip(it) = box(width: 100%, height: 100%, inset: 4mm, stroke: (paint: graphite, thickness: 0.4pt, dash: "dashed"),
  grid(columns: 1fr, rows: (auto, 1fr), row-gutter: 2.4mm, head(it),
    if it.whole == none { fitted(words(it)) } else {
      grid(columns: (1fr, 36mm), rows: 1fr, gutter: 4mm, fitted(words(it)), picture(it, 34mm))
    }))

#for page in data.slips.filter(it => not it.long).chunks(8) {
  grid(columns: (1fr, 1fr), rows: (1fr,) * 4, gutter: 3mm, ..page.map(slip))
}
#for it in data.slips.filter(it => it.long) {
  pagebreak(weak: true)
  stack(spacing: 4mm, head(it), words(it), picture(it, 62mm))
}
