#let data = json("data.json")
#set page(width: data.width_mm * 1mm, height: data.height_mm * 1mm, margin: 0mm)
#image("figure.svg", width: 100%)
