// The pages of a handout. Everything is finished in data.json and the figures beside it.
#let data = json("data.json")
#let ink = rgb("#23272E")
#let graphite = rgb("#50545B")
#let office = (width: data.office.width_mm * 1mm, height: data.office.height_mm * 1mm)

#set document(title: data.title)
#set text(font: "Atkinson Hyperlegible Next", size: 11pt, fill: ink, number-width: "tabular")
#set par(leading: 0.6em)

// Real fractions, whatever glyphs the font has.
#let fraction(above, below) = [#super(size: 0.62em, above)⁄#sub(size: 0.62em, below)]
#show "⅛": fraction("1", "8")
#show "⅜": fraction("3", "8")
#show "⅝": fraction("5", "8")
#show "⅞": fraction("7", "8")
#show regex("\d+⁄\d+"): it => { let (a, b) = it.text.split("⁄"); fraction(a, b) }

#let quiet(body, size: 8.5pt) = text(size: size, fill: graphite, body)

#let scale-bar = box(fill: white, inset: 1mm)[
  #stack(dir: ttb, spacing: 1mm,
    box(width: 100mm, height: 2.5mm, stroke: (left: 0.4pt, right: 0.4pt, bottom: 0.8pt))[
      #for i in range(1, 10) { place(dx: i * 10mm, dy: 1mm, line(angle: 90deg, length: 1.5mm, stroke: 0.4pt)) }
    ],
    quiet(size: 8pt)[This bar is 100 mm long. If it is not, print again at 100 %, not "fit to page".],
  )
]

#let office-page(body) = page(
  width: office.width, height: office.height, margin: (x: 16mm, y: 15mm),
  footer: context { set text(size: 8.5pt, fill: graphite); [#data.title #h(1fr) #counter(page).display()] },
  body,
)

#let heading-line(body) = { text(size: 20pt, weight: "bold", body); v(-1mm) }

// --- steps ---------------------------------------------------------------------------------------

// A figure as large as its place allows, with a line around the paper.
#let framed(figure) = layout(place => {
  let wide = calc.min(place.width, place.height / data.high_to_wide)
  align(center + top, box(stroke: 0.4pt + graphite, image(figure, width: wide)))
})

#let step-table(step, size) = if step.table != none {
  set text(size: size - 0.5pt)
  set par(leading: 0.4em)
  table(columns: (auto,) * step.table.columns.len(), inset: (x: 1.2mm, y: 0.9mm), align: left,
    stroke: (x, y) => (bottom: 0.3pt + graphite),
    table.header(..step.table.columns.map(strong)), ..step.table.rows.flatten())
}

#let step-words(i, step, size) = {
  set text(size: size)
  set par(leading: 0.5em)
  text(weight: "bold", size: size + 1pt)[#(i + 1). #step.title]
  v(-1.5mm)
  step.instruction
  step-table(step, size)
  v(-1.5mm)
  quiet(size: size - 1pt)[*Check:* #step.check]
}

// The figure above its words, or beside them; a step is never parted.
#let step-cell(i, step, it) = {
  let size = it.letters_pt * 1pt
  let figure = image(step.figure, width: it.figure.wide_mm * 1mm, height: it.figure.high_mm * 1mm)
  block(breakable: false, width: 100%, above: 4.5mm, below: 0mm,
    if it.beside {
      grid(columns: (it.figure.wide_mm * 1mm, 1fr), column-gutter: 5mm, figure, step-words(i, step, size))
    } else {
      grid(rows: (auto, auto), row-gutter: 2.5mm, figure, step-words(i, step, size))
    })
}

#let steps-page(it) = office-page({
  heading-line(data.title)
  grid(columns: (1fr, 78mm), column-gutter: 6mm,
    block(height: 52mm, width: 100%, framed(it.cover)),
    [
      #set text(size: 9pt)
      #set par(leading: 0.45em)
      *Sheet* \ #it.sheet
      #v(-1mm)
      *Measures*
      #for (name, place) in it.measures [ \ #name: #place ]
      #v(-1mm)
      *You need* \ #it.materials.join(", ")
      #v(-1mm)
      *Time* \ about #calc.round(it.minutes) minutes, #it.steps.len() steps
    ])
  for (i, step) in it.steps.enumerate() { step-cell(i, step, it) }
})

// --- true size -----------------------------------------------------------------------------------

#let true-content(it) = {
  place(top + left, image(it.figure, width: it.width_mm * 1mm))
  if it.at("pupil", default: none) != none {
    place(top + left, dx: 14mm, dy: 5mm, text(size: 11pt, weight: "bold", it.pupil))
  }
  if it.at("qr", default: none) != none {
    place(top + right, dx: -14mm, dy: 4mm, image(it.qr, width: 20mm))
  }
  place(bottom + left, dx: 14mm, dy: -4mm, scale-bar)
  place(bottom + right, dx: -14mm, dy: -5mm, quiet(size: 8pt)[#data.title, #it.words])
}

#let true-page(it) = {
  if it.tiles.len() == 0 {
    page(width: it.width_mm * 1mm, height: it.height_mm * 1mm, margin: 0mm, footer: none,
      block(width: 100%, height: 100%, true-content(it)))
  }
  let m = data.margin_mm * 1mm
  for tile in it.tiles {
    page(width: it.page_width_mm * 1mm, height: it.page_height_mm * 1mm, margin: m, footer: none, {
      box(width: tile.width_mm * 1mm, height: tile.height_mm * 1mm, clip: true,
        place(top + left, dx: -tile.x_mm * 1mm, dy: -tile.y_mm * 1mm,
          box(width: it.width_mm * 1mm, height: it.height_mm * 1mm, true-content(it))))
      let o = data.overlap_mm * 1mm
      let dash = (paint: graphite, thickness: 0.4pt, dash: "dashed")
      // Where the next page's edge comes to lie.
      if tile.column > 1 { place(top + left, dx: o, line(angle: 90deg, length: tile.height_mm * 1mm, stroke: dash)) }
      if tile.row > 1 { place(top + left, dy: o, line(length: tile.width_mm * 1mm, stroke: dash)) }
      for (x, y) in ((0, 0), (tile.width_mm, 0), (0, tile.height_mm), (tile.width_mm, tile.height_mm)) {
        place(top + left, dx: x * 1mm - 3mm, dy: y * 1mm, line(length: 6mm, stroke: 0.5pt))
        place(top + left, dx: x * 1mm, dy: y * 1mm - 3mm, line(angle: 90deg, length: 6mm, stroke: 0.5pt))
      }
      if it.rows * it.columns > 1 {
        place(bottom + center, dy: 4mm, quiet(size: 7.5pt)[
          row #tile.row of #it.rows, column #tile.column of #it.columns: cut along the crosses,
          lay this page's edge on the dashed line of its neighbour])
      }
    })
  }
}

// --- the rest ------------------------------------------------------------------------------------

#let strips-page(it) = office-page({
  heading-line[Strips for far points]
  if it.strips.len() == 0 [All points lie on the sheet: no strip is needed.]
  else [Cut along the dashes. Tape the hatched end under the sheet's edge so that the inked edge meets it.]
  for strip in it.strips {
    block(breakable: false, above: 7mm, {
      text(weight: "bold", strip.title); [ #h(2mm) #strip.note]
      v(1mm)
      let turned = strip.width_mm * 1mm > office.width - 32mm
      if turned { rotate(90deg, reflow: true, image(strip.figure, width: strip.width_mm * 1mm)) }
      else { image(strip.figure, width: strip.width_mm * 1mm) }
    })
  }
  v(1fr)
  scale-bar
})

#let board-page(it) = office-page({
  heading-line[At the board: #data.title]
  [On a board of #it.size everything is #it.factor times as large as on the sheet, measured from the board's own edges.]
  for note in it.notes { v(1mm); note }
  v(2mm)
  for (i, step) in it.steps.enumerate() {
    block(breakable: false, above: 3.2mm, {
      text(weight: "bold")[#(i + 1). #step.title.] + [ ] + step.instruction
      step-table(step, 10pt)
      if step.note != "" { linebreak(); quiet(size: 10pt)[#step.note] }
    })
  }
})

#let slip(it, name) = box(width: 100%, height: 100%, inset: 5mm, stroke: (paint: graphite, thickness: 0.4pt, dash: "dashed"), {
  set text(size: 9pt)
  text(weight: "bold")[#data.title] + h(1fr) + if name == none [Name: #box(width: 34mm, stroke: (bottom: 0.4pt), height: 3mm)] else { strong(name) }
  v(1mm)
  [Lines that should be there: ] + it.lines.map(l => [#l.count #l.family]).join(", ") + [.]
  v(1mm)
  grid(columns: (auto, 1fr), gutter: 2.2mm,
    sym.square, [The #it.eye_level is level.],
    sym.square, [Lines meet in their points.],
    sym.square, [Uprights stand upright.],
    sym.square, [Corners close: no gap, no overshoot.])
  v(1fr)
  [Next time: #box(width: 1fr, stroke: (bottom: 0.4pt), height: 3mm)]
  v(2mm)
  box(width: 1fr, stroke: (bottom: 0.4pt), height: 3mm)
})

#let slips-page(it) = {
  let names = if it.pupils.len() == 0 { (none,) * 8 } else { it.pupils }
  for group in names.chunks(8) {
    page(width: office.width, height: office.height, margin: 10mm, footer: none,
      grid(columns: (1fr, 1fr), rows: (1fr,) * 4, ..group.map(name => slip(it, name))))
  }
}

#let materials-page(it) = office-page({
  heading-line[What to put out]
  [For #it.count pupils, with a few spare of what is used up.]
  v(3mm)
  table(columns: (1fr, auto, auto), inset: 3mm, stroke: (x, y) => (bottom: 0.4pt + graphite),
    table.header([*Thing*], [*For one*], [*For all*]),
    ..it.items.map(item => (item.name, item.each, str(item.all))).flatten())
})

// A pupil's own word on a page of its own: its picture, and all its steps in two columns.
#let cards-page(it) = for card in it.cards {
  office-page({
    heading-line(card.pupil)
    align(center, image(card.figure, height: 62mm))
    columns(2, gutter: 7mm, {
      set text(size: 8.5pt)
      set par(leading: 0.45em)
      for (i, step) in card.steps.enumerate() {
        block(breakable: false, above: 2.6mm, below: 0mm, {
          text(weight: "bold")[#(i + 1). #step.title.] + [ ] + step.instruction
          step-table(step, 8.5pt)
        })
      }
    })
  })
}

// Numbered corners to tick, in as many columns as they take; the key has them ticked.
#let corners-page(it) = office-page({
  let tick(on) = box(width: 3.6mm, height: 3.6mm, stroke: 0.5pt + ink, align(center + horizon,
    if on { text(size: 9pt, weight: "bold")[×] }))
  heading-line(it.title)
  it.what
  if it.count > 0 {
    v(1mm)
    image(it.figure, width: 178mm)
    v(1mm)
    let row(number) = {
      let answer = if it.answers == none { none } else { it.answers.at(number - 1) }
      (text(weight: "bold", str(number)), tick(answer == true), tick(answer == false))
    }
    set text(size: 9.5pt)
    grid(columns: (1fr,) * 4, gutter: 6mm, ..range(1, it.count + 1, step: 15).map(first =>
      table(columns: (8mm, 1fr, 1fr), inset: 0.9mm, stroke: none, align: center,
        table.header([], quiet(size: 8pt)[a line], quiet(size: 8pt)[none]),
        ..range(first, calc.min(first + 15, it.count + 1)).map(row).flatten())))
    v(1mm)
    [#it.total ]
    if it.answers == none { box(width: 20mm, stroke: (bottom: 0.5pt), height: 4mm) } else { strong(str(it.lines)) }
  }
})

#let plan-page(it) = office-page({
  heading-line[Lesson plan: #data.title]
  [About #calc.round(it.minutes) minutes of drawing#if it.age != none [ at the age of #it.age], in #it.periods.len() #if it.periods.len() == 1 [lesson] else [lessons].]
  for (i, period) in it.periods.enumerate() {
    block(breakable: false, above: 4mm, {
      text(weight: "bold")[Lesson #(i + 1), #calc.round(period.minutes) minutes of drawing]
      linebreak()
      period.steps.map(step => [#step.number. #step.title]).join("; ")
    })
  }
  for list-of in it.lists {
    block(breakable: false, above: 5mm, {
      text(weight: "bold", size: 12.5pt, list-of.title)
      list(..list-of.lines.map(line => [#line]))
    })
  }
})

#let makers = (
  "plan": plan-page, "steps": steps-page, "true": true-page, strips: strips-page, board: board-page, slips: slips-page,
  materials: materials-page, cards: cards-page, corners: corners-page,
)
#for it in data.pages { (makers.at(it.kind))(it) }
