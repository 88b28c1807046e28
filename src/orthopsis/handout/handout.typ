// The pages of a handout. Everything is finished in data.json and the figures beside it.
#let data = json("data.json")
#let ink = rgb("#23272E")
#let graphite = rgb("#6A6E75")

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

#let scale-bar = box[
  #stack(dir: ttb, spacing: 1mm,
    box(width: 100mm, height: 2.5mm, stroke: (left: 0.4pt, right: 0.4pt, bottom: 0.8pt))[
      #for i in range(1, 10) { place(dx: i * 10mm, dy: 1mm, line(angle: 90deg, length: 1.5mm, stroke: 0.4pt)) }
    ],
    text(size: 8pt, fill: graphite)[This bar is 100 mm long. If it is not, print again at 100 %, not "fit to page".],
  )
]

#if "steps" in data.parts [
  #set page(paper: "a4", margin: (x: 18mm, y: 16mm), footer: context [
    #set text(size: 8.5pt, fill: graphite)
    #data.title #h(1fr) #counter(page).display()
  ])
  #text(size: 24pt, weight: "bold", data.title)
  #v(-2mm)
  #grid(columns: (1fr, 62mm), column-gutter: 8mm,
    image("cover.svg", width: 100%),
    [
      #set text(size: 10pt)
      *Sheet* \ #data.sheet
      #v(1mm)
      *Measures*
      #for (name, place) in data.measures [ \ #name: #place ]
      #v(1mm)
      *You need* \ #data.materials.join(", ")
      #v(1mm)
      *Time* \ about #calc.round(data.minutes) minutes, #data.steps.len() steps
    ],
  )
  #v(2mm)
  #line(length: 100%, stroke: 0.5pt + graphite)
  #for (i, step) in data.steps.enumerate() {
    block(breakable: false, width: 100%, above: 5mm,
      grid(columns: (84mm, 1fr), column-gutter: 6mm,
        box(stroke: 0.4pt + graphite, image("step-" + str(i + 1) + ".svg", width: 100%)),
        [
          #text(weight: "bold", size: 12pt)[#(i + 1). #step.title]
          #v(0.5mm)
          #step.instruction
          #v(0.5mm)
          #text(size: 9.5pt, fill: graphite)[*Check:* #step.check]
        ],
      )
    )
  }
]

#if "key" in data.parts [
  #set page(width: data.width_mm * 1mm, height: data.height_mm * 1mm, margin: 0mm, footer: none)
  #place(top + left, image("key.svg", width: data.width_mm * 1mm))
  #place(bottom + left, dx: 8mm, dy: -5mm, scale-bar)
  #place(bottom + right, dx: -8mm, dy: -5mm, text(size: 8pt, fill: graphite)[#data.title, answer key at true size])
]
