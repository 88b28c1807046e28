### What Orthopsis says, in English.
###
### One phrase to an id, `.simple` for pupils who read short sentences with one thought each.
### Before a phrase stand its values with their kinds; a test holds both to the calls.
### Always at hand: $line (eye-level, horizon), $spelling (UK, US), $square, $far, $units, $given (what pupils take
### from the sheet: measures, points, or only the rules), $fronts (ruler, freehand).

## Words of their own

eye-level = { $line ->
    [horizon] horizon line
   *[eye-level] eye level line
 }
Eye-level = { $line ->
    [horizon] Horizon line
   *[eye-level] Eye level line
 }
rub-out = { $spelling ->
    [US] Erase
   *[UK] Rub out
 }
square = { $square ->
    [see-through-ruler] see-through ruler
    [folded-paper] folded paper
   *[set-square] set square
 }
word-left = left
word-right = right
word-above = upper
word-top = top
word-bottom = bottom
word-base = base
word-front = front
word-back = back
word-left-end = left end
word-right-end = right end
level-line = a level line
an-upright = an upright
word-letter = letter
word-shape = shape
word-box = box
word-room = room
word-floor = floor
word-flat-tiles = tiles
word-flat-rug = rug
word-flat-picture = picture
word-flat-door = door
word-flat-window = window
word-flat-cupboard = cupboard
word-flat-plain = panel
word-stairs = staircase
word-table = table
word-stool = stool
word-bench = bench
word-chair = chair
word-bed = bed
word-shelf = shelf
word-tank = tank
word-book = book
word-cut = block
word-cylinder = cylinder
word-house = house
word-ruler = darken its edges with the ruler
word-ruler-and-hand = darken its sides with the ruler and its curves by hand

# $first (own) $last (own)
list-and = { $first } and { $last }
# $name (name) $title (phrase)
titled = { $name }: { $title }
# $first (phrase) $second (phrase)
title-joined = { $first }; { SMALL($second) }
# $title (phrase)
title-first = { $title }, first
# $title (phrase)
title-then = { $title }, then
# $words (text)
own-words = { $words }
# $letter (phrase)
letter = Letter { $letter }
# $letter (own)
letter-itself = { $letter }
# $letter (own) $place (number)
letter-of-several = { $letter } ({ $place ->
    [1] 1st
    [2] 2nd
    [3] 3rd
    [21] 21st
    [22] 22nd
    [23] 23rd
   *[other] { $place }th
 })
# $letter (phrase) $word (name)
letter-in-word = { $letter } of { $word }
# $point (point)
line-to = a line to { $point }

## The setting: sheet, eye level, points

frame-title = The frame
# $inside (length)
frame = Draw a frame { $inside } inside the edge.
frame-check = The frame is equally wide on all four sides.
eye-level-line-title = The { eye-level }
# $down (length)
eye-level-line = { $given ->
    [rules]
        Choose how high the { eye-level } lies. Mark it equally far down from the top at the left and at
        the right edge, and draw it lightly between the marks. In the example it lies { $down } down.
   *[other]
        Measure { $down } down from the top at the left and at the right edge, and draw the
        { eye-level } lightly between the marks.
 }
eye-level-line-check = Both ends are equally far from the top, so the line is level.
# $count (number)
points-title = { $count ->
    [one] The vanishing point
   *[other] The vanishing points
 }
# $points (list) $each (list)
points = { $given ->
    [rules]
        On the { eye-level } choose places of your own for the points, as far out as you can. In the
        example: { $points }.
   *[other] On the { eye-level } mark { $points }.
 }
    .simple = { $given ->
        [rules] Choose places for the points on the { eye-level }. In the example: { $points }.
       *[other] Stay on the { eye-level }. { $each }
     }
# $point (phrase)
point-mark = Mark { $point }.
points-check = Each point is a small dot with its name, exactly on the line.
points-check-elsewhere = Each point is a small dot with its name; the level ones lie on the line.

# $name (point) $place (phrase)
point-on-sheet = { $name } { $place }
# $name (point) $place (phrase)
point-on-strip = { $far ->
    [ladders] { $name } beside the sheet, { $place }, by the ladders
   *[other] { $name } on a strip of paper, { $place }
 }
# $across (phrase) $down (phrase)
place-of-point = { $across } and { $down }
# $mm (length)
across-on = { $mm } from the left edge
# $mm (length)
across-left = { $mm } out from the left edge
# $mm (length)
across-right = { $mm } out from the right edge
# $mm (length)
down-on = { $mm } from the top edge
# $mm (length)
down-above = { $mm } above the top edge
# $mm (length)
down-below = { $mm } below the bottom edge

# $ruler (length) $points (list)
too-far =
    A ruler of { $ruler } does not reach { $points }: { $far ->
        [book-edge] use the edge of a large book
        [ladders] use the ladders: the same number at both edges of the sheet
       *[long-ruler] take the long ruler
    }.

## The points that carry depth

# $count (number) $kind (choice)
helping-points-title = { $kind ->
    [distance] { $count ->
        [one] The distance point
       *[other] The distance points
    }
   *[measuring] { $count ->
        [one] The measuring point
       *[other] The measuring points
    }
 }
# $points (list)
helping-points-level =
    On the { eye-level } mark { $points }.
# $count (number)
helping-points =
    { $count ->
        [one] It carries
       *[other] They carry
    } a length that is measured on the sheet into the depth.
    .simple =
        You will need { $count ->
            [one] it
           *[other] them
        } to find how far back things go.
# $count (number)
helping-points-check =
    Measure { $count ->
        [one] it
       *[other] each of them
    } again: how deep things are hangs on it.

## How far back: a cut

# $across (phrase) $start (mark) $vp (point) $mark (mark)
cut-x = { $given ->
    [measures]
        Measure { $across } and lay the { square } there: where it crosses the line from
        { $start } to { $vp } is { $mark }.
   *[other]
        Choose how far back it goes: mark { $mark } on the line from { $start } to { $vp }, not further
        than halfway. In the example it lies { $across }.
 }
    .simple = { $given ->
        [measures]
            Measure { $across }. Put the { square } there. Mark { $mark } on the line from
            { $start } to { $vp }.
       *[other]
            Choose how far back it goes. Mark { $mark } on the line from { $start } to { $vp }. Do not go
            further than halfway.
     }
# $along (length) $start (mark) $vp (point) $mark (mark)
cut-along = { $given ->
    [measures] Measure { $along } along the line from { $start } to { $vp }: { $mark }.
   *[other]
        Choose how far back it goes: mark { $mark } on the line from { $start } to { $vp }, not further
        than halfway. In the example it is { $along }.
 }
    .simple = { $given ->
        [measures]
            Put zero on { $start }. Measure { $along } along the line from { $start } to { $vp }. Mark
            { $mark }.
       *[other]
            Choose how far back it goes. Mark { $mark } on the line from { $start } to { $vp }. Do not go
            further than halfway.
     }
# $along (about) $start (mark) $vp (point) $mark (mark)
cut-by-eye =
    Choose by eye how far back it goes on the line from { $start } to { $vp }: about { $along }, and not
    further than halfway to { $vp }. Mark { $mark } there.
    .simple =
        Choose how far back it goes. Mark { $mark } on the line from { $start } to { $vp }, about
        { $along } along. Do not go further than halfway.
# $true (length) $side (choice) $start (mark) $laid (mark) $point (point) $vp (point) $mark (mark)
cut-true-distance =
    { $given ->
        [measures] Measure { $true } { lay-out } from { $start }: { $laid }.
       *[other]
            Choose how deep it is, and measure that { lay-out } from { $start }: { $laid }. In the example
            it is { $true }.
    }
    Join { $laid } to the { WORD($side) } distance point { $point }, lightly.
    Where that crosses the line from { $start } to { $vp } is { $mark }, at true depth.
    .simple =
        { $given ->
            [measures] Measure { $true } { lay-out } from { $start }: { $laid }.
           *[other] Choose how deep it is. Measure that { lay-out } from { $start }: { $laid }.
        }
        Draw a light line from { $laid } to the { WORD($side) } distance point { $point }.
        Mark { $mark } where it crosses the line from { $start } to { $vp }.
# $true (length) $side (choice) $start (mark) $laid (mark) $point (point) $vp (point) $mark (mark)
cut-true-distance-there =
    { as-deep-as-wide }
    Join { $laid } to the { WORD($side) } distance point { $point }, lightly.
    Where that crosses the line from { $start } to { $vp } is { $mark }, at true depth.
    .simple =
        { as-deep-as-wide }
        Draw a light line from { $laid } to the { WORD($side) } distance point { $point }.
        Mark { $mark } where it crosses the line from { $start } to { $vp }.
# $true (length) $side (choice) $start (mark) $laid (mark) $point (point) $vp (point) $mark (mark)
cut-true-measuring =
    { $given ->
        [measures] Measure { $true } { lay-out } from { $start }: { $laid }.
       *[other]
            Choose how deep it is, and measure that { lay-out } from { $start }: { $laid }. In the example
            it is { $true }.
    }
    Join { $laid } to { $point }, the measuring point of { $vp }, lightly.
    Where that crosses the line from { $start } to { $vp } is { $mark }, at true depth.
    .simple =
        { $given ->
            [measures] Measure { $true } { lay-out } from { $start }: { $laid }.
           *[other] Choose how deep it is. Measure that { lay-out } from { $start }: { $laid }.
        }
        Draw a light line from { $laid } to { $point }, the measuring point of { $vp }.
        Mark { $mark } where it crosses the line from { $start } to { $vp }.
# $true (length) $side (choice) $start (mark) $laid (mark) $point (point) $vp (point) $mark (mark)
cut-true-measuring-there =
    { as-deep-as-wide }
    Join { $laid } to { $point }, the measuring point of { $vp }, lightly.
    Where that crosses the line from { $start } to { $vp } is { $mark }, at true depth.
    .simple =
        { as-deep-as-wide }
        Draw a light line from { $laid } to { $point }, the measuring point of { $vp }.
        Mark { $mark } where it crosses the line from { $start } to { $vp }.
# $laid (mark) $start (mark)
as-deep-as-wide = { $given ->
    [measures] { $laid } is just as far from { $start } as this goes back, so there is nothing to measure.
   *[other] Make it as deep as { $laid } is far from { $start }: then there is nothing to measure.
 }
# $side (choice)
lay-out = { $side ->
    [left] level to the right
    [right] level to the left
   *[above] straight down
 }

## Said once, done several times

# $marks (marks) $count (number)
name-marks = { $count ->
    [one] Name this mark as in the picture: { $marks }.
   *[other] Name these marks as in the picture: { $marks }.
 }
# $title (phrase) $things (list)
title-of-several = { CAPITAL($title) }: { $things }
# $thing (name)
title-again = { $thing }: the same again
# $thing (name) $first (phrase) $last (phrase)
title-span = { $thing }: from { $first } to { $last }
# $first (name) $last (name)
first-to-last = { $first } to { $last }
# $first (name) $second (name) $more (number)
first-and-more = { $first }, { $second } and { $more } more
# $title (phrase)
table-step = { CAPITAL($title) }
# $things (list) $count (number)
again = Do the same for { $things }.
# $things (list) $count (number)
again-own = Do the same for { $things }, with places and sizes of your own.
# $things (list) $count (number)
again-table =
    Do the same for { $things }, with the measures of the table.
    .simple = Do the same for { $things }. The table has the measures.
# $rows (number)
again-thing = { $rows ->
    [0] Do this as you did it before{ $given ->
        [measures] .
       *[other] , in a place and a size of your own.
    }
   *[other] Do this as you did it before, with the measures of the table.
 }
    .simple = { $rows ->
        [0] Do it as before{ $given ->
            [measures] .
           *[other] , in your own place and size.
        }
       *[other] Do it as before. The table has the measures.
     }
again-check = Hold it beside the first: the same lines, in the same order.
# $things (list) $count (number)
again-depth = Do the same for { $things }{ $given ->
    [measures] , as far back as the table tells.
   *[other] .
 }
# $things (list) $count (number)
again-outline =
    Draw { $things } in the same way.
# $things (list) $count (number) $vp (point) $what (choice)
again-corner-lines =
    Do the same for { $things }: draw only where the line to { $vp } does not run through the
    { WORD($what) }. The table tells how many lines there are.
    .simple = Do the same for { $things }. The table tells how many lines you draw to { $vp }.
# $things (list) $count (number) $vp (point)
again-back-parallel =
    Do the same for { $things }. Begin level with the first back. Each far side runs like its near side,
    from one line to { $vp } to the next: level stays level, upright stays upright, slanted goes parallel.
    Where you meet a front, stop.
    .simple =
        Do the same for { $things }. Begin level with the first back. Draw each far side the same way as
        its near side. Go from one line to { $vp } to the next. Stop where you meet a front.
# $things (list) $count (number) $vp (point) $goal (point)
again-back-to-point =
    Do the same for { $things }. A far side is found from the far edge of the block: level sides go to
    { $goal }, uprights go the way of the block's uprights, and each ends on the line from its own
    corner to { $vp }.
    .simple =
        Do the same for { $things }. Start at the far edge of the block. Level sides go to { $goal }.
        Uprights go like the uprights of the block. Stop on the line from the corner to { $vp }.
# $things (list) $count (number)
again-curves = { $count ->
    [one] Do the same with the other curve.
   *[other] Do the same with the other { $count } curves.
 }
# $value (own)
cell = { $value }
column-thing = Which
column-step = Step
column-measures = Measures
column-across = Across
column-down = Down
column-top = Upper end
column-foot = Lower end
column-across-on = From the left edge
column-across-left = Out from the left edge
column-across-right = Out from the right edge
column-down-on = From the top edge
column-down-above = Above the top edge
column-down-below = Below the bottom edge
column-width = Wide
column-height = High
column-length = Long
column-depth = How far back
column-left = Left side
column-right = Right side
column-lines = Lines
column-corners = Corners
column-sides = Far sides
# $value (phrase)
brief-across = { $value }
# $value (phrase)
brief-down = { $value }
# $value (phrase)
brief-top = from { $value }
# $value (phrase)
brief-foot = to { $value }
# $value (length)
brief-width = { $value } wide
# $value (length)
brief-height = { $value } high
# $value (length)
brief-length = { $value } long
# $value (phrase)
brief-depth = { $value }
# $value (phrase)
brief-left = { $value }
# $value (phrase)
brief-right = { $value }
# $value (list)
brief-measures = { $value }
# $value (number)
brief-lines = { $value ->
    [one] one line
   *[other] { $value } lines
 }
# $value (number)
brief-corners = { $value ->
    [one] one corner
   *[other] { $value } corners
 }
# $value (number)
brief-sides = { $value ->
    [one] one far side
   *[other] { $value } far sides
 }
# $corner (choice)
from-corner = { $corner ->
    [none] along
    [top] from the top of its front edge, along
    [bottom] from the foot of its front edge, along
    [near-top] from the top of its near upright, along
    [near-foot] from the foot of the near upright, along
   *[other] from its { WORD($corner) } corner, along
 }
word-top-left = top left
word-top-right = top right
word-bottom-left = bottom left
word-bottom-right = bottom right
# $across (phrase) $vp (point) $corner (choice)
cut-x-cell = { $across }, on the line to { $vp }
# $along (length) $vp (point) $corner (choice)
cut-along-cell = { $along } { from-corner } the line to { $vp }
# $along (about) $vp (point) $corner (choice)
cut-by-eye-cell = by eye, about { $along } { from-corner } the line to { $vp }
# $true (length) $side (choice) $point (point) $vp (point) $corner (choice)
cut-true-distance-cell = { $true } { lay-out } { from-its }, then to { $point }
# $true (length) $side (choice) $point (point) $vp (point) $corner (choice)
cut-true-distance-there-cell = the corner beside { its-corner }, joined to { $point }
# $true (length) $side (choice) $point (point) $vp (point) $corner (choice)
cut-true-measuring-cell = { $true } { lay-out } { from-its }, then to { $point }
# $true (length) $side (choice) $point (point) $vp (point) $corner (choice)
cut-true-measuring-there-cell = the corner beside { its-corner }, joined to { $point }
# $corner (choice)
from-its = { $corner ->
    [none] from its corner
    [top] from the top of its front edge
    [bottom] from the foot of its front edge
    [near-top] from the top of its near upright
    [near-foot] from the foot of the near upright
   *[other] from its { WORD($corner) } corner
 }
# $corner (choice)
its-corner = { $corner ->
    [none] it
    [top] the top of its front edge
    [bottom] the foot of its front edge
    [near-top] the top of its near upright
    [near-foot] the foot of the near upright
   *[other] its { WORD($corner) } one
 }

## The box

freehand = { $fronts ->
    [freehand] { " " }by hand
   *[ruler] { "" }
 }

box-front-title = the front face
# $corner (mark) $across (phrase) $down (phrase) $face (marks) $width (length) $height (length)
box-front = { $given ->
    [measures]
        Mark { $corner } { $across } and { $down }. Draw the front face
        { $face }{ freehand }: { $width } wide and { $height } high.
   *[other]
        Choose your own place for { $corner }, and draw the front face { $face }{ freehand }, level and upright, as
        wide and as high as you like. In the example it is { $width } wide and { $height } high.
 }
    .simple = { $given ->
        [measures]
            Mark { $corner }: { $across }, { $down }. From { $corner } draw
            the front face{ freehand }: { $width } wide, { $height } high. Its corners are { $face }.
       *[other]
            Choose a place for { $corner }. From there draw the front face, as wide and as high as you
            like. Its corners are { $face }.
     }
box-front-check = The uprights are square to the edge of the sheet.
# $vp (point)
box-no-side = { $vp } lies within the face, so no side of the box shows.

# $vp (point)
box-lines-title = lines to { $vp }
# $corners (marks) $vp (point)
box-lines =
    Lay the ruler from { $corners } to { $vp } and draw light guide lines, { $guides ->
        [to-the-point] all the way to it
       *[as-far-as-needed] a little further than the thing will reach
    }.
    .simple =
        Put the ruler on { $vp }. Draw a light line from { $corners }, { $guides ->
            [to-the-point] all the way
           *[as-far-as-needed] only as far as you need it
        }.
# $corner (mark)
box-line-for-depth =
    Draw one from { $corner } too, very lightly, for the depth: it runs across the box.
# $corner (mark)
box-line-beside = Draw a light one from { $corner } as well.
# $count (number) $vp (point)
box-lines-count = { $count ->
    [one] One guide line ends in { $vp }.
   *[other] { $count } guide lines meet in { $vp }.
 }
# $corners (marks)
box-lines-left-out = None starts at { $corners }: it would run across the front face.

box-depth-title = how far back
# $far (mark) $start (mark) $vp (point)
box-depth-check = { $far } lies on the line from { $start } to { $vp }.
box-back-title = the back
# $corner (mark)
box-back =
    From { $corner } draw the back edges, level and upright, from guide line to guide line.
    .simple =
        Start at { $corner }. Draw the back edges level and upright. Stop at each guide line.
box-back-check = Each back edge is parallel to its front edge, and they meet on the guide lines.

## Rooms

room-back-title = the back wall
# $corner (mark) $across (phrase) $down (phrase) $width (length) $height (length)
room-back = { $given ->
    [measures]
        Mark { $corner } { $across } and { $down }. From there draw the back wall, { $width } wide and { $height } high.
   *[other]
        Draw the back wall round the vanishing point, as wide and as high as you like. In the example it is
        { $width } wide and { $height } high, and begins at { $corner }.
 }
room-back-check = The vanishing point lies within the back wall.
room-corner-title = the corner
# $top (mark) $foot (mark) $across (phrase) $down (phrase) $high (length)
room-corner = { $given ->
    [measures]
        Mark { $top } { $across } and { $down }. Draw the corner of the room straight down, { $high } long, to { $foot }.
   *[other]
        Draw the corner of the room, an upright across the { eye-level }. In the example it is { $high } long, from
        { $top } to { $foot }.
 }
room-corner-check = The upright is square to the edge of the sheet.
room-lines-title = floor, ceiling and walls
# $vp (point) $count (number)
room-lines =
    Lay the ruler on { $vp } and on a corner of the back wall, and draw from the corner on, away from { $vp }, to the
    edge of the sheet: floor, ceiling and walls meet there. { $count ->
        [one] One line
       *[other] { $count } lines
    } in all.
# $left (point) $right (point)
room-lines-of-corner =
    Lay the ruler on { $right } and on the upper end of the corner, and draw from there on to the left, to the edge of
    the sheet; so from its foot: that is the left wall. Its lines come from the point on the right. In the same way
    draw the right wall, with the ruler on { $left }.
room-lines-check = No line crosses the back wall, and each leads to its point when it is prolonged.
room-levels-title = heights
# $edge (marks) $foot (mark) $measures (list)
room-levels = { $given ->
    [measures] Put zero on { $foot }, and mark { $measures } up the upright { $edge }, with light level lines.
   *[other] Choose heights once, on the upright { $edge }. In the example they are { $measures } over { $foot }.
 } From there they are carried round the walls.
room-levels-check = Each height is measured only once.

## On the floor: the plan first, then raised

foot-plan-title = its plan on the floor
# $left (mark) $right (mark) $vp (point) $across (phrase) $down (phrase) $width (length)
foot-plan = { $given ->
    [measures]
        Mark { $left } { $across } and { $down }. From there draw its foot lightly, { $width } wide, to { $right }, and
        from both ends light lines to { $vp }.
   *[other]
        Choose a place for its foot, { $left } { $right }, and draw light lines from both ends to { $vp }. In the
        example it is { $width } wide.
 }
# $far (mark) $other (mark)
foot-plan-back = From { $far } go level to the other line: { $other }. That is its plan.
# $vp (point)
foot-plan-check = Its plan lies on the floor: two sides are level, two lead to { $vp }.
# $corner (mark) $left (point) $right (point) $across (phrase) $down (phrase)
foot-plan-corner = { $given ->
    [measures] Mark { $corner } { $across } and { $down }.
   *[other] Choose a place on the floor for { $corner }, its nearest corner.
 } Draw light lines from there to { $left } and to { $right }.
# $plan (marks)
foot-plan-corner-check = The plan { $plan } lies on the floor: each side leads to one of the points.
foot-front-title = raised from its plan
# $left (mark) $top (mark) $right (mark) $height (length)
foot-raise = { $given ->
    [measures]
        Raise it: straight up from { $left }, { $height } high, to { $top }; level to { $right }, and straight down.
   *[other]
        Raise it as high as you like: straight up from { $left } to { $top }, level to { $right }, and straight down. In
        the example it is { $height } high.
 }
# $foot (mark) $vp (point) $wall (mark) $high (mark) $top (mark) $other (mark)
foot-carry =
    Carry the height: the line from { $foot } to { $vp } meets the foot of the back wall in { $wall }. Go up from there
    to the level line of that height: { $high }. Lay the ruler on { $vp } and { $high }, and draw out again to the
    upright over { $foot }: { $top }. Go level to the other upright: { $other }.
# $foot (mark) $vp (point) $wall (mark) $high (mark) $top (mark) $other (mark)
foot-carry-to-ceiling =
    Go round the room: the line from { $foot } to { $vp } meets the foot of the back wall in { $wall }. Go up the wall to
    the ceiling: { $high }. Lay the ruler on { $vp } and { $high }, and draw along the ceiling to the upright over
    { $foot }: { $top }. Go level to the other upright: { $other }.
# $face (marks)
foot-front = Draw the front { $face }.
foot-back-title = sides and back
# $vp (point)
foot-back =
    Draw light lines from the upper corners to { $vp }, and uprights from the back of its plan to them. Draw the back
    edges.
foot-edge-title = the front edge
# $foot (mark) $top (mark) $height (length)
foot-edge = { $given ->
    [measures] Raise it: straight up from { $foot }, { $height } high, to { $top }.
   *[other] Raise it as high as you like: straight up from { $foot } to { $top }. In the example it is { $height } high.
 }
# $foot (mark) $vp (point) $wall (mark) $start (mark) $other (point) $high (mark) $top (mark)
foot-carry-corner =
    Carry the height: the line from { $foot } to { $vp } meets the foot of the wall in { $wall }. Lay the ruler on
    { $other } and { $start }: that line meets the upright over { $wall } in { $high }. Lay the ruler on { $vp } and
    { $high }, and draw out again to the upright over { $foot }: { $top }.
# $foot (mark) $vp (point) $wall (mark) $start (mark) $other (point) $high (mark) $top (mark)
foot-carry-corner-to-ceiling =
    Go round the room: the line from { $foot } to { $vp } meets the foot of the wall in { $wall }. Go straight up to
    where the wall meets the ceiling, on the line from { $start } away from { $other }: { $high }. Lay the ruler on
    { $vp } and { $high }, and draw along the ceiling to the upright over { $foot }: { $top }.
foot-sides-title = both sides
# $top (mark) $left (point) $right (point)
foot-sides =
    Draw light lines from { $top } to { $left } and to { $right }, and uprights from the corners of its plan to them.
    Draw both sides.
foot-top-title = the top

## Light and shadows

light-sun-title = The sun and its foot
# $sun (mark) $foot (mark) $across (phrase) $down (phrase)
light-sun =
    Mark the sun { $sun } { $across } and { $down }. Straight below it on the { eye-level } mark its foot { $foot }.
# $sun (mark) $foot (mark) $across (phrase) $down (phrase)
light-sun-behind =
    The sun stands behind us. Mark the point { $sun } to which its rays lead, { $across } and { $down }, and straight
    above it on the { eye-level } the foot { $foot }, to which shadows lead.
# $sun (mark) $foot (mark)
light-sun-check = { $foot } lies on the { eye-level }, in line with { $sun }.
light-lamp-title = The lamp and its foot
# $middle (mark) $foot (mark) $lamp (name)
light-lamp =
    Cross the diagonals through the block of { $lamp }: { $middle } is where the light is. Cross the diagonals of its
    foot: { $foot } lies plumb below.
# $lamp (name) $middle (mark) $foot (mark)
light-lamp-ceiling =
    Cross the diagonals through the block of { $lamp }: { $middle } is where the light is. Now its plan: from each upper
    corner of the block go along the ceiling to the right wall, straight down the wall to the floor, and back along the
    floor till you are straight below the corner. Cross the diagonals of the plan: { $foot } lies plumb below the light.
# $lamp (name) $middle (mark) $foot (mark)
light-lamp-wall =
    Cross the diagonals through the block of { $lamp }: { $middle } is where the light is. Now its plan: from the two
    corners on the wall go straight down to the foot of the wall, and from there out along the floor till you are
    straight below the other two. Cross the diagonals of the plan: { $foot } lies plumb below the light.
# $lamp (name) $middle (mark) $top (mark) $foot (mark)
light-lamp-on-top =
    Cross the diagonals through the block of { $lamp }: { $middle } is where the light is. Cross those of its foot: { $top }.
    Draw from the nearest top corner through { $top } to the { eye-level }, and from there to the foot of that corner.
    Straight below { $top } that line meets { $foot }, the foot of the light on the floor.
# $middle (mark) $foot (mark)
light-lamp-check = { $foot } lies straight below { $middle }.
word-planes-top = the tops
word-planes-front = the fronts
word-planes-lit = the sides turned to the light
word-planes-dark = the sides turned away from the light
word-planes-under = the undersides
# $sides (list)
tone-light-title = A light tone: { $sides }
# $sides (list)
tone-middle-title = A middle tone: { $sides }
# $sides (list)
tone-dark-title = A dark tone: { $sides }
# $sides (list)
tone-white = Leave { $sides } white.
# $sides (list)
tone-light =
    Shade { $sides } lightly and evenly. Lay the strokes close together, along the longer way of each plane.
# $sides (list)
tone-middle =
    Shade { $sides } a good deal darker, evenly again. Keep to one way of the strokes on each plane.
# $sides (list)
tone-dark =
    Shade { $sides } darkest of all planes: go over them twice. Only cast shadows are darker still.
tone-check = Narrow your eyes: planes that face one way have one tone, and neighbours differ.
shadow-tips-title = where the shadow ends
# $count (number)
shadow-tips-side =
    From the foot of each upright draw a light level line away from the light. From its top draw a light line that falls
    at the angle of the light. Where the two cross, the shadow of that upright ends: { $count ->
        [one] one place
       *[other] { $count } places
    } in all.
# $count (number)
shadow-tips-sun =
    Lay the ruler on the foot of the light and on the foot of each upright, and draw a light line. Lay it on the sun’s
    point and on the top of the same upright, and draw another. Where the two cross, its shadow ends: { $count ->
        [one] one place
       *[other] { $count } places
    } in all.
# $count (number)
shadow-tips-lamp =
    Lay the ruler on the foot of the lamp and on the foot of each upright, and draw a light line. Lay it on the lamp and
    on the top of the same upright, and draw another. Where the two cross, its shadow ends: { $count ->
        [one] one place
       *[other] { $count } places
    } in all.
shadow-tips-check = Shadows of equal uprights grow longer the further they stand from the light.
shadow-below-title = the floor below it
# $count (number)
shadow-below-top =
    Shadows on the floor begin straight below. Draw on the top from its nearest corner through a foot to the { eye-level },
    and from there to the foot of that corner. Straight below the foot you meet the place on the floor. Find { $count ->
        [one] one place
       *[other] { $count } places
    }.
# $count (number)
shadow-below-wall =
    Shadows on the floor begin straight below. Go from the corners on the wall straight down to its foot, and from there
    out along the floor till you are below the others. Find { $count ->
        [one] one place
       *[other] { $count } places
    }.
# $count (number)
shadow-below-ceiling =
    Shadows on the floor begin straight below. Go along the ceiling to the right wall, straight down it, and back along
    the floor till you are below the corner. Find { $count ->
        [one] one place
       *[other] { $count } places
    }.
shadow-below-check = Each place lies plumb below its corner.
shadow-plan-title = the places below it
# $places (list)
shadow-plan =
    Shadows begin straight below. Down on the ground each line leads to the same point as the edge above it, or is level
    like it: so find { $places }.
# $foot (mark) $corner (mark)
shadow-plan-one = { $foot } straight below { $corner }
# $count (number)
shadow-plan-many =
    Shadows begin straight below. Down on the ground each line leads to the same point as the edge above it, or is level
    like it: so find { $count ->
        [one] one place
       *[other] { $count } places
    }, each straight below its corner.
shadow-plan-check = Hold the set square to each place: its corner stands straight above.
shadow-turns-title = where the shadow ends on the wall
# $count (number) $wall (choice)
shadow-turns =
    Some of it falls on { $wall ->
        [left] the left wall
        [right] the right wall
       *[back] the back wall
    }. From the foot of the upright draw the line along the floor only as far as the foot of the wall. There it turns:
    draw it on straight up. From the top of the upright draw the line of the light. Where the two cross, its shadow
    ends: { $count ->
        [one] one place
       *[other] { $count } places
    } in all.
shadow-turns-check = Along the wall the shadow of an upright is upright, too.
shadow-outline-title = the shadow
shadow-outline =
    Join these places in the order of the corners above them. The shadow of a level edge keeps its direction, or leads to
    the same point. Stop where something stands before it, and fill it evenly: a cast shadow is the darkest tone.
shadow-outline-on-wall =
    Join these places in the order of the corners above them. The shadow of a level edge keeps its direction, or leads to
    the same point. At the foot of a wall it breaks, and goes on from there on the wall. Stop where something stands
    before it, and fill it evenly: a cast shadow is the darkest tone.
shadow-outline-check = The shadow begins at the foot of the thing, and no white shows between.

## Stairs

stairs-marks-title = equal marks and the slope
# $edge (marks) $count (number) $slope (marks)
stairs-marks-level =
    Part the upright { $edge } into { $count } equal parts. Draw the slope { $slope } lightly, and from each mark a light
    level line to it.
# $edge (marks) $count (number) $slope (marks) $vp (point)
stairs-marks-to-point =
    Part the upright { $edge } into { $count } equal parts. Draw the slope { $slope } lightly, and from each mark a light
    line to { $vp }, as far as the slope.
# $slope (marks)
# $edge (marks) $count (number) $slope (marks)
stairs-marks-level-to-landing =
    Part the upright { $edge } into { $count } equal parts. There is one tread less than risers, so the slope ends one
    mark below the top: draw { $slope } lightly, and from each mark a light level line to it.
# $edge (marks) $count (number) $slope (marks) $vp (point)
stairs-marks-to-point-to-landing =
    Part the upright { $edge } into { $count } equal parts. There is one tread less than risers, so the slope ends one
    mark below the top: draw { $slope } lightly, and from each mark a light line to { $vp }, as far as the slope.
# $slope (marks)
stairs-marks-check = The lines cut the slope { $slope } into as many parts as there are steps.
stairs-steps-title = the steps
# $count (number)
stairs-steps =
    Draw the steps: straight up from the slope to the next line, along it back to the slope, and up again{ $count ->
        [one] .
       *[other] , { $count } times.
    }
# $count (number)
stairs-steps-check = { $count ->
        [one] Count one riser.
       *[other] Count { $count } risers.
    } A ruler laid along all noses touches every one of them.
stairs-across-title = across to the other side
# $count (number)
stairs-across-level =
    From each nose and from each inner corner draw across, level, and finish the other side: { $count ->
        [one] one line
       *[other] { $count } lines
    }.
# $count (number) $vp (point)
stairs-across-to-point =
    From each nose and from each inner corner that shows draw across, to { $vp }, and finish the other side: { $count ->
        [one] one line
       *[other] { $count } lines
    }.
stairs-across-check = The noses of the other side lie on a straight line as well.

stairs-landing-title = the landing
# $wide (length) $times (number) $measures (list)
stairs-landing =
    The stairs are { $wide } wide in truth. The landing is { $times ->
        [1] just as long
       *[other] { $times } times as long
    }: measure { $measures } on along the top line.
# $wide (length) $times (number)
stairs-landing-true =
    The stairs are { $wide } wide in truth, and the landing is { $times ->
        [1] just as long.
       *[other] { $times } times as long.
    }
stairs-landing-check = The landing is level, and as high as the last riser.
stairs-second-plan-title = how far the second flight goes
# $length (length)
stairs-second-length = As many treads as it has risers: measure { $length } along the foot of the stairs.
# $length (length) $start (mark) $point (point) $base (mark) $vp (point) $mark (mark)
stairs-second-toward-us =
    The second flight comes toward us. Measure { $length } from { $start } along a level line to { $base }. The line from
    { $point } through { $base }, drawn on, meets the line from { $vp } through { $start } in { $mark }: there it ends.
# $count (number) $riser (length) $top (mark)
stairs-second-heights =
    Set the height of a riser, { $riser }, off again above { $top }{ $count ->
        [one] .
       *[other] , { $count } times.
    }
stairs-second-plan-check = All risers are equally high.
stairs-second-marks-title = the second slope
# $slope (marks) $vp (point)
stairs-second-marks =
    Carry the heights to the landing’s end, and from there lines to { $vp }. Draw the slope { $slope } lightly: where it
    meets them, the risers stand.
# $slope (marks)
stairs-second-marks-level =
    Carry the heights to the landing’s end, and from there level lines. Draw the slope { $slope } lightly: where it
    meets them, the risers stand.
stairs-second-steps-title = the steps of the second flight
# $count (number)
stairs-second-steps =
    Draw the steps as before: straight up from the slope to the next line, along it back to the slope, and up again{ $count ->
        [one] .
       *[other] , { $count } times.
    }
# $stairs (name) $which (choice)
rail-of = { $stairs }, { $which ->
        [upper] upper rail
       *[lower] lower rail
    }
rail-title = posts and rail
# $high (length)
rail =
    Set up a post on the first nose and on the last, { $high } high; further back it shrinks with the steps, so carry its
    height there on lines to the point. Join both tops: that is the rail.
rail-check = The rail runs beside the slope, and leads to the same point.
stairs-second-across-title = across the second flight

## On floors and walls

# $vp (point)
tiles-columns-title = lines to { $vp }
# $left (mark) $right (mark) $across (phrase) $down (phrase) $width (length)
tiles-front = Mark { $left } { $across } and { $down }. Draw the front line of the tiles, { $width } long, to { $right }.
# $count (number) $wide (length) $vp (point)
tiles-columns-front =
    Part the front line into { $count } equal parts, { $wide } each. Lay the ruler on { $vp } and on each mark, and draw
    the line on the floor, back to the wall.
# $count (number) $wide (length) $vp (point)
tiles-columns-back =
    Part the foot of the back wall into { $count } equal parts, { $wide } each. Lay the ruler on { $vp } and on each mark,
    and draw the line over the floor toward you, away from { $vp }, to the edge of the sheet.
# $vp (point)
tiles-columns-check = All lines lead to { $vp }, and none crosses what stands on the floor.
tiles-rows-title = the rows
# $start (mark) $point (point) $vp (point)
tiles-diagonal =
    Join { $start } to the distance point { $point }, lightly: the diagonal of square tiles. It crosses one line to { $vp }
    after the other.
# $start (mark) $vp (point) $along (length) $corner (mark)
tiles-first-row =
    From { $start } measure { $along } along the line to { $vp }, and go level to the next line: { $corner }. Draw the
    diagonal of this first tile from { $start } through { $corner }, on and on.
# $start (mark)
tiles-again = Where the diagonal has reached the last line, begin again level with it at { $start }, to the same point.
# $vp (point) $count (number)
tiles-rows =
    Wherever the diagonal crosses a line to { $vp }, draw a level line from wall to wall: { $count ->
        [one] one row
       *[other] { $count } rows
    }. Stop at whatever stands on the floor.
tiles-shade-title = every second tile
# $count (number)
tiles-shade =
    Shade every second tile in one even tone, like a chequer board: { $count ->
        [one] one tile
       *[other] { $count } tiles
    }, as far as they show.
tiles-shade-check = No two dark tiles share a side.
tiles-left-wall-title = along the left wall
# $corner (mark) $side (length) $point (point) $count (number) $vp (point)
tiles-left-wall =
    On a level line through { $corner } measure { $side } to the left, { $count ->
        [one] once
       *[other] { $count } times
    }. Lay the ruler on { $point } and on each mark: where it meets the foot of the left wall, the line to { $vp }, a tile
    ends.
tiles-right-wall-title = along the right wall
# $corner (mark) $side (length) $point (point) $count (number) $vp (point)
tiles-right-wall =
    On a level line through { $corner } measure { $side } to the right, { $count ->
        [one] once
       *[other] { $count } times
    }. Lay the ruler on { $point } and on each mark: where it meets the foot of the right wall, the line to { $vp }, a tile
    ends.
# $vp (point)
tiles-wall-check = The tiles grow toward us, and all marks lie on the line to { $vp }.
tiles-over-floor-title = over the floor
# $left (point) $right (point)
tiles-over-floor =
    From each mark at the left wall draw a line over the floor, with the ruler on { $left }; from each at the right wall
    with the ruler on { $right }. Stop at whatever stands there.
tiles-over-floor-check = Every tile has two sides that lead to one point and two that lead to the other.
tiles-rows-check = The rows close up evenly, and one ruler laid along the diagonal meets a corner of a tile in each.
panel-back-title = on the back wall
# $what (choice) $corner (mark) $across (phrase) $down (phrase) $width (length) $height (length)
panel-back = { $given ->
    [measures]
        Mark { $corner } { $across } and { $down }. From there draw the { WORD($what) }, { $width } wide and { $height }
        high.
   *[other]
        Draw the { WORD($what) } on the back wall, level and upright. In the example it begins at { $corner }, and is
        { $width } wide and { $height } high.
 }
panel-wall-title = on the wall
# $what (choice) $foot (mark) $vp (point) $high (mark) $low (mark) $height (length) $up (length)
panel-wall =
    For the { WORD($what) } measure { $up } and { $height } up the wall from { $foot }: { $low } and { $high }. Lay the
    ruler on { $vp } and on each of them, and draw light lines along the wall, away from { $vp }.
# $what (choice) $foot (mark) $vp (point) $high (mark) $low (mark) $height (length) $up (length)
panel-wall-on-floor =
    For the { WORD($what) } measure { $height } up the wall from { $foot }: { $high }. Lay the ruler on { $vp } and
    { $high }, and draw a light line along the wall, away from { $vp }.
# $outline (marks)
panel-wall-uprights = Draw uprights from these marks, and the outline { $outline }.
# $vp (point)
panel-wall-check = Its upper and its lower side lead to { $vp }, and its uprights stand straight.
niche-title = the niche
# $corner (mark) $deep (length) $back (mark) $vp (point)
niche-to-point =
    It is let into the wall. From the corners of the opening draw light lines to { $vp }. Measure { $deep } from { $corner }
    along its line: { $back }. From there go round, level and upright, from line to line. Draw only what is seen through
    the opening.
# $corner (mark) $deep (length) $back (mark)
niche-level =
    It is let into the wall. From the corners of the opening draw light level lines. Measure { $deep } from { $corner }
    along its line: { $back }. From there go round, upright and to the point of the wall, from line to line. Draw only
    what is seen through the opening.
niche-check = The back of the niche is parallel to its opening, and no line leaves the opening.
# $panel (name) $number (number)
panel-number = { $panel } { $number }
panel-again-title = another beside it
# $start (mark) $top (mark) $what (choice)
panel-again =
    The next { WORD($what) } is as wide in truth: lay the ruler on { $start } and on the middle of the last upright. Where it
    meets the line of the upper sides is { $top }. Draw its upright there, and both lines to it.
# $corner (mark) $wide (length) $top (mark) $what (choice)
panel-again-level =
    The next { WORD($what) } is as wide: measure { $wide } from { $corner } to { $top }. Draw its upright there, and both lines to it.
panel-again-check = All of them are equally wide in truth.
panel-floor-title = on the floor
# $far (mark) $other (mark) $what (choice)
panel-floor = From { $far } go level to the other line: { $other }. Draw the { WORD($what) }.

## Made things: tables, chairs, shelves

made-marks-title = its parts on the front
# $corner (mark) $measures (list)
made-rows = { $given ->
    [measures]
        Down from { $corner } measure { $measures }, and draw light level lines across the block: there its boards
        begin and end.
   *[other]
        Choose how thick its boards are, and draw light level lines across the block. In the example:
        { $measures } down from { $corner }.
 }
    .simple = { $given ->
        [measures] Put zero on { $corner }. Measure down { $measures }. Draw light level lines.
       *[other] Choose how thick the boards are. Draw light level lines.
     }
# $corner (mark) $measures (list)
made-columns = { $given ->
    [measures]
        Along from { $corner } measure { $measures }, and draw light uprights down the block: there its legs and
        sides begin and end.
   *[other]
        Choose how thick its legs are, and draw light uprights down the block. In the example:
        { $measures } along from { $corner }.
 }
    .simple = { $given ->
        [measures] Put zero on { $corner }. Measure to the right { $measures }. Draw light uprights.
       *[other] Choose how thick the legs are. Draw light uprights.
     }
# $far (mark) $near (mark) $vp (point) $mark (mark)
made-back-foot =
    From { $far } go level and upright to the line from { $near } to { $vp }: { $mark }, behind it on the floor.
made-front-title = the front
# $what (choice) $count (number)
made-front =
    Draw the front of the { WORD($what) } along the light lines, with the ruler: { $count ->
        [one] one line
       *[other] { $count } lines
    }. What has no edge stays light.
made-front-check = No line runs across a leg where it meets a board: it is one thing, without seams.
# $vp (point)
made-lines-title = lines to { $vp }
# $vp (point) $count (number)
made-lines =
    Lay the ruler on { $vp } and on the corners of the front, as in the picture, and draw { $count ->
        [one] one light line
       *[other] { $count } light lines
    } back.
    .simple =
        Put the ruler on { $vp }. Draw { $count ->
            [one] a light line
           *[other] { $count } light lines
        } from the corners, as in the picture.
# $vp (point)
made-lines-check = All of them meet in { $vp }.
made-depths-title = how deep its parts are
# $back (mark) $point (point) $near (mark) $vp (point) $mark (mark)
made-from-behind =
    As deep at the back: lay the ruler on { $back } and { $point }. Where it crosses the line from { $near } to { $vp }
    is { $mark }.
# $diagonal (marks) $across (length) $start (mark) $vp (point) $mark (mark)
made-by-diagonal =
    Draw the diagonal { $diagonal }. Measure { $across } along from { $start }, and draw a light line from there to
    { $vp }. Where it crosses the diagonal, go level to the line from { $start }: { $mark }.
# $vp (point)
made-depths-check = Each mark lies on a line to { $vp }.
made-rest-title = what runs back
made-upper-title = the upper part, running back
made-lower-title = the lower part, running back
# $what (choice) $count (number)
made-rest =
    Draw the other edges of the { WORD($what) }, { $count ->
        [one] one
       *[other] { $count }
    } in all, as in the picture: each begins where two light lines cross.
made-rest-check = Lines that are parallel on the front are parallel behind, or lead to the same point.
made-heights-title = heights on the front edge
# $top (mark) $foot (mark) $measures (list)
made-heights = { $given ->
    [measures]
        Put zero on { $top }, and mark { $measures } down the front edge to { $foot }: there its boards begin and end.
   *[other]
        Choose how thick its boards are, and mark that down the front edge from { $top } to { $foot }. In the example:
        { $measures }.
 }
made-heights-check = The last mark is above the foot of the front edge, or on it.
made-plan-title = its plan on the floor
# $one (marks) $other (marks) $middle (mark)
made-middle =
    Cross the diagonals { $one } and { $other }: { $middle } is the middle.
# $near (mark) $middle (mark) $mark (mark)
made-through-middle =
    Lay the ruler on { $near } and { $middle }: on the far line it gives { $mark }.
# $side (marks) $goal (point)
made-by-columns =
    Part the side { $side }: equal marks on its front edge, light lines to { $goal }, and an upright wherever one
    crosses the diagonal.
made-plan-check = What is as thick in truth looks thinner further back.
made-left-title = the left side
# $what (choice) $count (number) $vp (point)
made-left =
    Draw the left side of the { WORD($what) }, { $count ->
        [one] one line
       *[other] { $count } lines
    }: what lies leads to { $vp }, legs and sides go straight from the marks on the floor.
made-right-title = the right side
# $what (choice) $count (number) $vp (point)
made-right =
    Draw the right side of the { WORD($what) }, { $count ->
        [one] one line
       *[other] { $count } lines
    }: what lies leads to { $vp }, legs and sides go straight from the marks on the floor.
# $vp (point)
made-side-check = Every lying line of this side meets { $vp }.

box-edge-title = the front edge
# $top (mark) $across (phrase) $down (phrase) $length (length) $foot (mark)
box-edge-down = { $given ->
    [measures]
        Mark { $top } { $across } and { $down }. Draw the front edge
        straight down, { $length } long, to { $foot }.
   *[other]
        Choose your own place for { $top }, and draw the front edge straight down, as long as
        you like, to { $foot }. In the example it is { $length } long.
 }
    .simple = { $given ->
        [measures]
            Mark { $top }: { $across }, { $down }. Draw a line straight down, { $length } long.
            Its end is { $foot }.
       *[other] Choose a place for { $top }. Draw a line straight down. Its end is { $foot }.
     }
# $top (mark) $across (phrase) $down (phrase) $length (length) $foot (mark) $third (point)
box-edge-toward = { $given ->
    [measures]
        Mark { $top } { $across } and { $down }. Draw the front edge
        toward { $third }, { $length } long, to { $foot }.
   *[other]
        Choose your own place for { $top }, and draw the front edge toward { $third }, as long as
        you like, to { $foot }. In the example it is { $length } long.
 }
    .simple = { $given ->
        [measures]
            Mark { $top }: { $across }, { $down }. Draw a line toward { $third }, { $length } long.
            Its end is { $foot }.
       *[other] Choose a place for { $top }. Draw a line toward { $third }. Its end is { $foot }.
     }
# $top (mark) $across (phrase) $down (phrase) $length (length) $foot (mark) $third (point)
box-edge-from = { $given ->
    [measures]
        Mark { $top } { $across } and { $down }. Draw the front edge
        down, in line with { $third }, { $length } long, to { $foot }.
   *[other]
        Choose your own place for { $top }, and draw the front edge down, in line with { $third }, as long as
        you like, to { $foot }. In the example it is { $length } long.
 }
    .simple = { $given ->
        [measures]
            Mark { $top }: { $across }, { $down }. Draw a line down, in line with { $third }, { $length } long.
            Its end is { $foot }.
       *[other] Choose a place for { $top }. Draw a line down, in line with { $third }. Its end is { $foot }.
     }
box-edge-check = The front edge is square to the top edge of the sheet.
# $third (point)
box-edge-to-check = The ruler along the front edge passes through { $third }.

box-edge-on-title = the front edge
# $base (name) $line (marks) $top (mark) $down (phrase) $foot (mark) $below (phrase)
box-edge-on =
    Lay the ruler along the front edge { $line } of { $base } and draw it on: from { $top },
    { $down }, to { $foot }, { $below }.
    .simple =
        Put the ruler along { $line } of { $base }. Mark { $top } { $down }. Mark { $foot } { $below }.
        Draw { $top } { $foot }.
# $edge (marks) $line (marks)
box-edge-on-check = { $edge } lies in one line with { $line }.

box-lines-to-both-title = lines to both points
# $top (mark) $foot (mark) $left (point) $right (point)
box-lines-to-both =
    Draw light guide lines from { $top } and from { $foot } to { $left } and to { $right }, { $guides ->
        [to-the-point] all the way to the points
       *[as-far-as-needed] a little further than the thing will reach
    }.
    .simple =
        Draw two light lines to { $left }: one from { $top }, one from { $foot }. Draw two light lines
        to { $right } from the same corners. { $guides ->
            [to-the-point] Draw them all the way to the points.
           *[as-far-as-needed] They need not reach the points.
        }
box-lines-to-both-check = Four guide lines: two meet in each vanishing point.

box-left-title = the left side
box-right-title = the right side
# $base (name) $upright (marks)
box-side-on = Use the line of { $base }: lay the ruler along its upright { $upright }.
# $line (marks)
box-upright = Draw the upright { $line } between the two guide lines.
# $mark (mark) $third (point) $line (marks)
box-upright-to =
    Lay the ruler through { $mark } and { $third } and draw { $line } between the two guide lines.
    .simple = Put the ruler on { $mark } and { $third }. Draw { $line }. Stop at both guide lines.
# $line (marks) $vp (point)
box-upright-check = { $line } is square to the sheet and stops on both lines to { $vp }.
# $line (marks) $vp (point) $third (point)
box-upright-to-check = { $line } points at { $third } and stops on both lines to { $vp }.

box-top-title = the top
box-underside-title = the underside
# $left (mark) $right (mark) $back (mark) $left_vp (point) $right_vp (point)
box-opposite =
    Opposite corner to opposite point: draw lightly from { $left } to { $right_vp } and from { $right }
    to { $left_vp }. They cross in the back corner { $back }.
    .simple =
        Opposite corner to opposite point. Draw a light line from { $left } to { $right_vp }. Draw a
        light line from { $right } to { $left_vp }. Mark { $back } where they cross.
# $back (mark)
box-opposite-check = The two back edges meet in { $back } and nowhere else.
# $upper (mark) $lower (mark)
box-backs-check = { $upper } stands straight above { $lower }.
# $upper (mark) $lower (mark) $third (point)
box-backs-to-check = { $upper } and { $lower } lie in line with { $third }.

tidy-title = tidy and darken
# $what (choice) $how (choice)
tidy =
    { rub-out } the light guide lines of this { WORD($what) }, then { WORD($how) }.
    .simple = { rub-out } the light guide lines of this { WORD($what) }. { CAPITAL(WORD($how)) }.
# $how (choice)
darken = { CAPITAL(WORD($how)) }.
tidy-check = Only what can be seen is dark.

finish-title = Finish
# $piece (name)
unseen-behind = Nothing shows of { $piece }: it stands wholly behind other things.
# $piece (name)
unseen-beside = Nothing shows of { $piece }: it lies beside the sheet.
finish = { rub-out } the { eye-level } and the marks that are still there.
finish-check = Put the ruler along two edges of each family: they lead to the same point.

## Round things

circle-middle-top-title = the middle of the top
circle-middle-base-title = the middle of the base
circle-middle-front-title = the middle of the front
circle-middle-back-title = the middle of the back
circle-middle-left-end-title = the middle of the left end
circle-middle-right-end-title = the middle of the right end
circle-top-title = the circle of the top
circle-base-title = the circle of the base
circle-front-title = the circle of the front
circle-back-title = the circle of the back
circle-left-end-title = the circle of the left end
circle-right-end-title = the circle of the right end
# $down (marks) $up (marks) $middle (mark) $first (way) $second (way) $touching (marks)
circle-middle =
    Cross the diagonals { $down } and { $up }: { $middle } is the middle. Through it draw { $first }
    and { $second }: they meet the sides in { $touching }, where the circle will touch.
    .simple =
        Draw the diagonals { $down } and { $up }. They cross in the middle, { $middle }. Draw { $first }
        through { $middle }. Draw { $second } through it. Mark { $touching } on the sides.
# $middle (mark)
circle-middle-check = { $middle } lies on all four light lines.
# $chord (marks) $half (mark) $second (way) $eighth (mark) $one (marks) $other (marks) $fifth (mark) $through (marks)
circle =
    Join { $chord }; where it crosses the diagonal is { $half }, and { $second } from there meets the
    side in { $eighth }. The lines { $one } and { $other } cross in { $fifth }, on the circle. Sketch
    the circle lightly through { $through }.
    .simple =
        Draw { $chord }. Mark { $half } on the diagonal. Draw { $second } from { $half } to the side:
        { $eighth }. Draw { $one } and { $other }. They cross in { $fifth }. Sketch the circle through
        all five marks.
circle-check = The curve touches each side in its mark and has no corner anywhere.

round-sides-title = the sides
round-sides-level =
    Lay the ruler so that it lies level and touches both curves; draw the line on each side, from
    curve to curve.
    .simple =
        Put the ruler against both curves. See that it lies level. Draw the line. Do the same on the
        other side.
round-sides-upright =
    Lay the ruler so that it stands upright and touches both curves; draw the line on each side, from
    curve to curve.
    .simple =
        Put the ruler against both curves. See that it stands upright. Draw the line. Do the same on
        the other side.
# $point (point)
round-sides-to =
    Lay the ruler so that it leads to { $point } and touches both curves; draw the line on each side,
    from curve to curve.
    .simple =
        Put the ruler against both curves. See that it leads to { $point }. Draw the line. Do the same
        on the other side.
round-sides-check = Each side line touches the curves and crosses neither.

# $touching (marks)
circle-by-middles =
    Sketch the circle lightly through { $touching }: it touches each side there, and is round in between.
    .simple = Sketch the circle through { $touching }. It touches each side there. Keep it round.

## Letters and shapes

block-title = the block
# $corner (mark) $across (phrase) $down (phrase) $width (length) $height (length)
block = { $given ->
    [measures]
        Mark { $corner } { $across } and { $down }. From there draw a light block, { $width } wide and
        { $height } high.
   *[other]
        Choose your own place for { $corner }. From there draw a light block as large as you like. In the
        example it is { $width } wide and { $height } high.
 }
    .simple = { $given ->
        [measures]
            Mark { $corner }: { $across }, { $down }. Draw a light block:
            { $width } wide, { $height } high.
       *[other] Choose a place for { $corner }. Draw a light block, as large as you like.
     }
block-check = The block is square to the edges of the sheet.

face-place-title = the place in the block
# $what (choice) $goal (point)
face-place =
    Find the two uprights between which this { WORD($what) } stands: halve the front edge and its halves,
    draw a light line to { $goal } from the mark, and an upright where it meets the diagonal of the face.
    .simple =
        Halve the front edge. Halve the halves. Draw a light line to { $goal }. Where it meets the
        diagonal of the face, draw an upright. This { WORD($what) } stands beside it.
# $what (choice) $goal (point)
face-place-from-halves =
    From the marks on the front edge draw light lines to { $goal } as far as the diagonal of the face, and
    an upright where they meet it: there this { WORD($what) } begins or ends.
    .simple =
        From the marks on the front edge draw light lines to { $goal }. Where they meet the diagonal of the
        face, draw an upright. There this { WORD($what) } begins or ends.
# $what (choice) $goal (point) $top (mark) $downs (list)
face-place-measured =
    Down the front edge from { $top } measure { $downs }. Draw light lines to { $goal } as far as the
    diagonal of the face, and an upright where they meet it: there this { WORD($what) } begins or ends.
    .simple =
        Put zero on { $top }. Measure down { $downs }. Draw a light line to { $goal }. Where it meets the
        diagonal of the face, draw an upright. There this { WORD($what) } begins or ends.
face-place-check = Equal letters look narrower the further back they stand.

face-corners-title = its corners
# $mark (mark) $across (phrase) $down (phrase)
face-corner-at = { $mark } { $across } and { $down }
# $left (length) $top (length)
face-corner-short = { $left } / { $top }
# $what (choice) $corners (list)
face-by-corners = Mark the corners of the { WORD($what) }: { $corners }. Join them in this order with the ruler.
face-rows-title = level lines
# $corner (mark) $downs (list)
face-rows = { $given ->
    [measures]
        Down from { $corner } measure { $downs }, and draw light level lines across the block.
   *[other]
        Draw light level lines across the block where the letter’s strokes begin and end. In the example:
        { $downs } down from { $corner }.
 }
    .simple = { $given ->
        [measures] Put zero on { $corner }. Measure down { $downs }. Draw light level lines.
       *[other] Draw light level lines where the letter’s strokes begin and end.
     }
# $side (marks)
face-rows-halved =
    Halve { $side } with the ruler, and halve the halves, as far as the letter needs it. Draw light
    level lines across the block.
    .simple = Halve the side { $side }. Halve the halves. Draw light level lines.
# $top (mark) $goal (point) $downs (list)
face-levels =
    Down the front edge from { $top } measure { $downs }, and draw light lines to { $goal }.
    .simple =
        Put zero on { $top }. Measure down the front edge { $downs }. Draw light lines to { $goal }.
# $edge (marks) $goal (point)
face-levels-by-halves =
    Halve the front edge { $edge } by halving it, and halve the halves. From the marks draw light
    lines to { $goal }.
    .simple = Halve the front edge { $edge }. Halve the halves. Draw light lines to { $goal }.
# $things (list) $count (number) $goal (point)
again-lines-on-face =
    Do the same for { $things }, with lines to { $goal } from the marks on the front edge. What the table
    tells is measured down it first.
    .simple =
        Do the same for { $things }. Lines go to { $goal } from the marks on the front edge. Measure what
        the table tells.
# $goal (point)
face-levels-from-halves =
    From the marks on the front edge draw light lines to { $goal }.
face-halves-title = halves of the front edge
# $down (marks) $up (marks) $goal (point) $mark (mark)
face-halve =
    Cross the diagonals { $down } and { $up }. Lay the ruler through the crossing and { $goal }: where it
    meets the front edge is { $mark }.
    .simple =
        Draw the diagonals { $down } and { $up }. Put the ruler on the crossing and on { $goal }. Mark
        { $mark } on the front edge.
# $far (mark)
face-halve-opposite = Where it meets the edge opposite is { $far }.
# $edge (marks)
face-halves-check = Parts of { $edge } that are further away from us are shorter, not equal.
face-light-check = All light lines stay inside the block.
face-columns-title = uprights
# $corner (mark) $rights (list)
face-columns = { $given ->
    [measures]
        Along from { $corner } measure { $rights }, and draw light uprights down the block.
   *[other]
        Draw light uprights down the block where the letter’s strokes begin and end. In the example:
        { $rights } along from { $corner }.
 }
    .simple = { $given ->
        [measures] Put zero on { $corner }. Measure to the right { $rights }. Draw light uprights.
       *[other] Draw light uprights where the letter’s strokes begin and end.
     }
# $diagonal (marks)
face-columns-halved =
    Draw the diagonal { $diagonal } lightly. Where a level line meets it, an upright stands.
    .simple = Draw the diagonal { $diagonal }. Draw uprights where level lines meet it.
# $goal (point)
face-columns-diagonal =
    Where a light line to { $goal } meets the diagonal of its part of the face, an upright stands: as
    far across as it is down.
    .simple = Draw the diagonal. Where a line to { $goal } meets it, draw an upright.
# $top (mark) $goal (point) $downs (list)
face-columns-measured =
    Down the front edge from { $top } measure { $downs } for more light lines to { $goal }. Where a light
    line meets the diagonal of its part of the face, an upright stands: as far across as it is down.
    .simple =
        Put zero on { $top }. Measure down { $downs }. Draw light lines to { $goal }. Where a line meets
        the diagonal, draw an upright.
# $start (mark) $point (point) $measures (list)
face-columns-true =
    Level from { $start } measure { $measures }. Lead each mark to { $point }: where it crosses the edge
    through { $start } an upright stands.
    .simple =
        Put zero on { $start }. Measure level { $measures }. Draw light lines to { $point }. Where they
        cross the edge, draw an upright.
# $third (point)
face-columns-to = Every upright points at { $third }.

face-slants-title = slanted lines
# $lines (list)
face-slants =
    Join { $lines } lightly with the ruler: the slanted strokes.
    .simple = Put the ruler on two marks and join them lightly: { $lines }.
face-slants-check = The two edges of a slanted stroke keep their distance.

face-outline-title = the outline
# $what (choice) $count (number)
face-outline =
    Draw the { WORD($what) } along the light lines, { $fronts ->
        [freehand] by hand
       *[ruler] with the ruler
    }, from corner to corner as in the picture.
    .simple =
        Draw the { WORD($what) } along the light lines{ $fronts ->
            [freehand] { " " }by hand.
           *[ruler] . Use the ruler.
        } Go from corner to corner, as in the picture.
# $what (choice) $count (number)
face-corners-check = The whole { WORD($what) } has { $count } { $count ->
        [one] corner
       *[other] corners
    }.
face-uprights-check = Its uprights are square to the edge of the sheet.

curves-title = the curves
curves-more-title = more curves
# $side (marks) $first (mark) $second (mark) $one (marks) $other (marks) $on (mark) $start (mark) $end (mark)
curve =
    Halve { $side }: { $first }, and the side opposite: { $second }. The lines { $one } and { $other }
    cross in { $on }. Sketch the curve from { $start } through { $on } to { $end }.
    .simple =
        Find { $on }: draw { $one } and { $other }. Sketch a curve: { $start }, { $on }, { $end }.
# $corner (mark) $start (mark) $end (mark) $on (mark) $line (marks)
curve-by-hand =
    Round the corner { $corner } by hand, from { $start } to { $end }, through { $on }, a little more than
    halfway from { $corner } to the middle of { $line }.
    .simple =
        Mark { $on } a little more than halfway from { $corner } to the middle of { $line }. Sketch a curve
        by hand: { $start }, { $on }, { $end }.
curve-check = The curve begins and ends along the light lines, without a corner.
curves-behind-title = the curves behind
curves-behind-more-title = more curves behind
# $start (mark) $end (mark) $marks (marks) $vp (point)
curve-behind =
    The curve of { $start } and { $end } again behind it: carry { $marks } back on lines to { $vp },
    and sketch through them what can be seen.
    .simple =
        Carry { $marks } back along lines to { $vp }. Sketch the curve through the new marks. Draw only
        what can be seen.
curve-behind-check = The curve behind looks like the one in front, only smaller.

# $vp (point)
corner-lines-title = lines to { $vp }
# $vp (point) $what (choice)
corner-swing =
    Pencil on { $vp }, swing the ruler to each corner. Draw a light line, which stops where it meets the
    { WORD($what) }; where it would run through the { WORD($what) } draw nothing.
    .simple =
        Put the pencil on { $vp }. Swing the ruler to each corner. Does it run through the { WORD($what) }?
        Then draw nothing. If not, draw a light line. Stop where it meets the { WORD($what) }.
# $count (number)
corner-touches = { $count ->
    [one] Draw one more where the ruler only touches a curve.
   *[other] Draw { $count } more where the ruler only touches a curve.
 }
# $count (number) $what (choice)
corner-in-vain = { $count ->
    [one] That is so at one corner.
   *[other] That is so at { $count } corners.
 }
    .simple =
        { $count ->
            [one] At one corner you draw nothing.
           *[other] At { $count } corners you draw nothing.
        }
# $count (number) $vp (point)
corner-count = { $count ->
    [one] Exactly one light line runs to { $vp }.
   *[other] Exactly { $count } light lines run to { $vp }.
 }
# $count (number)
corner-same = { $count ->
    [one] Two of them fall on one another.
   *[other] Some of them fall on one another.
 }
corner-none = No corner sends a line: only the face shows.
corner-none-but-curves = No corner sends a line: the curves behind show all the same.

corners-first-title = the back, corner by corner
corners-next-title = the other corners
# $vp (point) $what (choice)
corners-swing =
    Pencil on { $vp }, swing the ruler to the corner: one light line back, where it does not run
    through the { WORD($what) }.
    .simple = Put the pencil on { $vp }. Swing the ruler to the corner. Draw one light line back.
corners-rub = Then rub out what is left over of the light line.
corners-first-check = One light line at a time: nothing is left over before you go on.
# $count (number) $vp (point) $what (choice)
corners-next = { $count ->
        [one] Do the same at the last corner
       *[other] Do the same at the other { $count } corners, one by one round the { WORD($what) }
    }: a light line to { $vp }, the far corner, the line between, the far side, rub out. Where the line
    would run through the { WORD($what) } draw nothing, and go on to the next corner.
    .simple =
        { $count ->
            [one] Do the same at the last corner.
           *[other] Do the same at the other { $count } corners, one by one.
        } A light line to { $vp }. Find the far corner. Draw. Rub out. Does the line run through the
        { WORD($what) }? Then draw nothing and go on.
# $things (list) $count (number) $vp (point)
again-corners =
    Do the same for { $things }: corner by corner, one light line to { $vp } at a time.
back-title = the back
back-more-title = the back goes on
# $near (mark) $far (mark)
back-as-deep =
    { $near } in front is { $far } behind: as far back goes this letter.
    .simple = Find { $far } behind { $near }. This letter is as deep.
# $vp (point)
back-cut-away =
    Where the front was cut away the back is cut away too: each new far corner lies on its line to
    { $vp }.
    .simple = Cut the back like the front. Each far corner lies on its line to { $vp }.
# $mark (mark) $way (phrase) $near (mark)
far-corner = { CAPITAL($way) } to the line from { $near }: that is { $mark }.
# $mark (mark) $row (mark) $point (point) $column (mark)
face-corner =
    In front, where the line from { $row } toward { $point } meets the one up and down through
    { $column }, is { $mark }.
# $mark (mark)
way-level-from =
    { square } on { $mark }, level
    .simple = level from { $mark }
# $mark (mark) $way (choice)
way-upright-from =
    { square } on { $mark }, straight { WORD($way) }
    .simple = straight { WORD($way) } from { $mark }
# $mark (mark) $point (point)
way-to-point-from =
    ruler on { $mark } and { $point }
    .simple = from { $mark } toward { $point }
# $mark (mark) $line (marks)
way-parallel-from = from { $mark }, parallel to { $line }
    .simple = from { $mark }, the same way as { $line }
# $line (marks)
way-along = along { $line }
word-up = up
word-down = down
# $mark (mark) $way (choice)
side-level-from = level to the { WORD($way) } from { $mark }
# $mark (mark) $way (choice)
side-upright-from = straight { WORD($way) } from { $mark }
# $mark (mark) $point (point)
side-to-point-from = from { $mark } toward { $point }
# $mark (mark) $line (marks)
side-parallel-from = from { $mark }, parallel to { $line }
    .simple = from { $mark }, the same way as { $line }
# $corners (list)
back-corners = Find the far corners, one by one. { $corners }
# $sides (list) $what (choice) $count (number)
back-sides =
    { $count ->
        [one] Draw the far side { $sides }; it stops where it meets the { WORD($what) }.
       *[other] Draw the far sides { $sides }; they stop where they meet the { WORD($what) }.
    }
    .simple =
        { $count ->
            [one] Draw the far side { $sides }.
           *[other] Draw the far sides { $sides }.
        } Stop where you meet the { WORD($what) }.
# $vp (point)
back-stays =
    The lines to { $vp } stay as far as the marks on them.
    .simple = Keep the lines to { $vp } up to the marks.
back-parallel-check = What lies on one line in front lies on one line behind.
back-to-point-check = Each far corner lies on the line to its own near corner.

back-depth-title = how far back
# $mark (mark) $across (phrase) $down (phrase)
back-depth-mark = Mark { $mark } { $across } and { $down }.
# $mark (mark) $vp (point)
back-depth-line = Draw a very light line from { $mark } to { $vp }, only for the depth.
# $far (mark) $near (mark) $vp (point)
back-depth-check = { $far } lies on the line from { $near } to { $vp }.

bands-title = pattern bands
bands-more-title = more pattern bands
# $parts (number) $vp (point)
bands =
    Part each side that shows into { $parts } equal parts along its near edge, and from there draw light
    lines to { $vp }: stripes for the pattern.
    .simple =
        Part the near edges into { $parts } equal parts. Draw light lines to { $vp }. They make stripes.
# $vp (point)
bands-check = The stripes get narrower toward { $vp }.

street-place-title = its place in the street
# $top (mark) $foot (mark) $vp (point)
street-carry =
    Carry { $top } and { $foot } to { $vp } with light lines.
    .simple = Draw light lines from { $top } and { $foot } to { $vp }.
# $before (mark) $last (marks) $high (mark)
street-repeat =
    A line from { $before } through the middle of the upright { $last } meets the upper light line in
    { $high }: as far again.
    .simple =
        Draw a line from { $before } through the middle of { $last }. It meets the upper line in
        { $high }.
# $low (mark) $high (mark)
street-down =
    Straight down from { $high } to the lower light line is { $low }.
    .simple = Go straight down from { $high } to the lower line. Mark { $low }.
# $low (mark) $high (mark)
street-up =
    Straight up from { $low } to the upper light line is { $high }.
    .simple = Go straight up from { $low } to the upper line. Mark { $high }.
# $high (mark) $low (mark)
street-place-check = { $high } stands straight above { $low }.
street-block-title = the block
# $width (length) $top (mark) $mark (mark) $vp (point)
street-block =
    Measure { $width } to the right of { $top }: { $mark }, and draw lightly to { $vp }. Between the
    light lines draw the block.
    .simple =
        Put zero on { $top }. Measure { $width } to the right: { $mark }. Draw a light line to { $vp }.
        Draw the block between the light lines.
street-block-check = The block looks like the first one, only smaller.

## At the board, and showing why

# $longest (about) $ruler (length)
board-reach =
    The longest line here is { $longest }, longer than a ruler of { $ruler }: stretch a string between
    its ends, mark two places under it, and draw in two goes.
# $points (list) $count (number)
board-points =
    { $points } { $count ->
        [one] lies
       *[other] lie
    } beside the board: put a piece of tape on the wall there, or let a pupil hold the end of a string,
    level with the line.

# $count (number)
the-point = { $count ->
    [one] the point
   *[other] the points
 }
# $count (number)
shows-top = It is below the { eye-level }: we see its top, and its lines rise to { the-point }.
# $count (number)
shows-underside =
    It is above the { eye-level }: we see its underside, and its lines fall to { the-point }.
shows-neither = The { eye-level } runs through it: neither top nor underside shows.
shows-right-side = It is left of the point, so its right side shows.
shows-left-side = It is right of the point, so its left side shows.
shows-no-side = It is straight in front of the point: no side shows.

spread-nothing = Nothing here has a corner below that could tip.
# $angle (number)
spread-close =
    The points are close: the lowest corner is { $angle }°, sharper than a right angle. It looks as if
    it tips toward us.
# $angle (number)
spread-enough = The lowest corner is { $angle }°: just blunt enough. Further out is calmer.
# $angle (number)
spread-far = The points are far apart: the lowest corner is { $angle }°, calm and natural.

climb-empty = An empty sheet; the { eye-level } is as high as our eyes.
# $how (choice)
climb = { $how ->
    [up] The viewer climbs
    [down] The viewer crouches
   *[still] Here
 }: the { eye-level } goes with the eyes.
climb-above-all = We look down on everything: all tops show, like a bird would see it.
# $count (number) $of (number)
climb-above-some = We look down on { $count } of { $of }; the others reach above our eyes.
climb-below-all =
    Everything reaches above our eyes and looms, as a small child or a mouse sees it.

## Advice, and what its one button does

# $first (name) $second (name) $step (length)
advice-in-one-another =
    '{ $first }' and '{ $second }' stand in one another, or around each other: the picture is right,
    but neither can be drawn first.
# $first (name) $second (name) $step (length)
remedy-in-one-another = Move '{ $second }' aside by { $step }
# $piece (name) $step (length)
advice-in-the-wall = { $piece } reaches into a wall of the room. Move it in, or make the room wider.
# $piece (name) $step (length)
remedy-in-the-wall = Move it aside by { $step }
# $angle (number) $out (length)
advice-points-too-close =
    The lowest corner is { $angle }°. It will look as if it tips. Move both points out by { $out }.
# $angle (number) $out (length)
remedy-points-too-close = Move both points out by { $out }
# $angle (number) $across (length) $down (phrase)
advice-flat-triangle =
    The triangle of the three points has an angle of { $angle }°, so no eye sees right angles like
    these. A fine first drawing all the same; for true boxes put VP3 { $across } from the left and
    { $down }.
# $angle (number) $across (length) $down (phrase)
remedy-flat-triangle = Move VP3 to where boxes are true
# $mm (length)
down-over = { $mm } above the top
# $mm (length)
down-from = { $mm } down from the top
# $piece (name) $out (about) $times (number)
advice-outside-triangle =
    { $piece } reaches { $out } outside the triangle of the three points, and what lies there comes out
    wrong. Keep within it.
# $piece (name) $out (about) $times (number)
remedy-outside-triangle = Move all points { NUMBER($times, minimumFractionDigits: 0) } { $times ->
    [1] time
   *[other] times
 } as far out
# $piece (name) $wide (number) $step (length)
advice-sliver =
    A side of { $piece } shows only { $wide } mm wide. Pupils lose such a sliver; move the piece or the
    point.
# $piece (name) $wide (number) $step (length)
remedy-sliver = Move it aside by { $step }
# $piece (name) $out (about) $mend (choice)
advice-roof-point-far =
    The roof of { $piece } leads to a point { $out } off the sheet, further than a second sheet taped on
    reaches. { $mend ->
        [middle] Find the far slope by the middle of the far wall.
       *[lower] A lower roof brings it nearer.
    }
# $piece (name) $out (about) $mend (choice)
remedy-roof-point-far = Find it by the middle
# $edges (number) $pairs (number) $least (number) $move (phrase) $steps (number)
advice-hair-breadth =
    A pencil cannot draw everything here apart: { $edges ->
        [0] { "" }
        [one] one edge is shorter than { $least } mm{ $pairs ->
            [0] .
           *[other] , and { "" }
        }
       *[other] { $edges } edges are shorter than { $least } mm{ $pairs ->
            [0] .
           *[other] , and { "" }
        }
    }{ $pairs ->
        [0] { "" }
        [one] two lines to a point nearly fall together.
       *[other] at { $pairs } places two lines to a point nearly fall together.
    }
# $edges (number) $pairs (number) $least (number) $move (phrase) $steps (number)
remedy-hair-breadth =
    { $move }: all can be drawn, in { $steps } { $steps ->
        [one] step
       *[other] steps
    }
# $point (point) $there (length)
move-point = Put { $point } { $there } from the left
# $there (length)
move-eye-level = Put the { eye-level } { $there } from the top
# $letter (phrase) $high (about) $least (length) $taller (length)
advice-small-letters =
    { $letter } is only { $high } high; for these pupils letters need { $least }. Take larger letters,
    or a shorter word.
# $letter (phrase) $high (about) $least (length) $taller (length)
remedy-small-letters = Make the letters { $taller } high
# $share (number) $times (number)
advice-outside-cone =
    { $share } % of the drawing lies outside the 60° cone of vision and will look stretched there.
    Beginners' sheets often do; it is a hint, no fault.
# $share (number) $times (number)
remedy-outside-cone = Look from { NUMBER($times, minimumFractionDigits: 0) } { $times ->
    [1] time
   *[other] times
 } as far away
# $mm (number) $nearest (length)
unreadable = The measure { $mm } mm falls between the marks of a ruler; the nearest is { $nearest }.
# $mm (number) $nearest (length) $piece (name)
unreadable-of =
    The measure { $mm } mm of { $piece } falls between the marks of a ruler; the nearest is { $nearest }.
# $first (phrase) $others (number)
advice-unreadable =
    { $first }{ $others ->
        [0] { "" }
        [one] { " " }So does another measure.
       *[other] { " " }So do { $others } other measures.
    }
remedy-unreadable = Set all measures to marks of the ruler
# $mm (number)
advice-unforgiving =
    A measure misread by { $mm } mm already makes a corner gape by 1.5 mm. Give the lines that cross
    there a better angle.
# $point (point) $out (length) $side (choice) $reach (phrase)
advice-tape-strip =
    { $point } lies { $out } off the sheet: tape on a strip of paper at the { WORD($side) } edge;
    { $reach }.
# $piece (name)
advice-shadow-by-hand =
    The shadow of { $piece } is not found by lines: it is sketched by hand, and never judged.
reach-none = no classroom ruler reaches it from everywhere
# $ruler (length)
reach-ruler = a ruler of { $ruler } reaches it

## Materials and the lesson plan

one-each = 1
# $pupils (number)
one-for = 1 for { $pupils }
# $size (own)
sheet-of = sheet of { $size } paper
sheet-of-own-size = sheet of drawing paper
pencil-hb = HB pencil
pencil-2b = 2B pencil
eraser = { $spelling ->
    [US] eraser
   *[UK] rubber
 }
# $long (length)
clear-ruler = clear ruler, { $long }
fineliner = fineliner for inking
coloured-pencils = set of coloured pencils
# $count (number)
strips = { $count ->
    [one] a strip of paper for the far points
   *[other] { $count } strips of paper for the far points
 }
# $count (number)
ladders = { $count ->
    [one] a sheet with ladders for the far point
   *[other] a sheet with ladders for the far points
 }
tape = roll of tape

term-eye-level = { eye-level }: as high as our eyes; all level things vanish on it
# $count (number)
term-points = { $count ->
    [one] vanishing point (VP): where lines that run away from us meet on paper
   *[other] vanishing points (VPs): where lines that run away from us meet on paper
 }
term-guide-line = guide line: a light line that helps and is rubbed out or covered
term-orthogonal = orthogonal: a line that goes to the vanishing point
term-block = block: the light box that a letter or a round thing is made from
term-views = worm's-eye and bird's-eye view: looking up, and looking down
term-diagonal = diagonal: from corner to corner; two of them find the middle of a face
term-parallel = parallel: the same way, never meeting; found by sliding the set square
term-ellipse = ellipse: what a circle looks like when it turns away from us
term-distance-point = distance point: carries a true length into the depth
term-measuring-point = measuring point: carries a true length into the depth
term-value = value: how dark a tone is, from 0, paper white, to 3

look-for-eye-level = The { eye-level } is equally far from the top at both ends.
look-for-light-lines = Light lines first: can they still be rubbed out?
look-for-ruler-on-point = The ruler lies on the point itself, not beside it.
look-for-strips = Strips are taped so that they cannot turn; the point is marked on them.
look-for-sides = Left sides go to the left point and right sides to the right one.
look-for-opposite = Opposite corner to opposite point: the back corner falls under the other.
look-for-uprights-to-vp3 = Every upright leads to VP3; none is drawn square to the paper's edge.
look-for-uprights = Uprights are square to the paper's edge, not laid by eye.
look-for-corner-rule = No line runs through the shape itself: count the lines that are drawn.
look-for-right-row = Measures are read in the row of their own thing.
look-for-curves = Curves touch their light lines, and have no corner anywhere.
look-for-count = Count: is a corner forgotten?

caution-knives =
    Craft knives for cutting strips are for supervised use; scissors do as well.
caution-compasses = Compass points are sharp: for supervised use.
caution-markers =
    Permanent markers for inking: in a ventilated room, not with solvent-sensitive pupils.
caution-metre-rulers = Long metre rulers are carried upright.
caution-own-rules = The school's own risk assessment and local rules come first.

# $mm (number) $miss (number)
forgiveness =
    Forgiveness: corners meet when each measure is set to within { $mm } mm; with all of them set to
    half a millimetre they lie off by { $miss } mm.

## Pages

corner-test = Which corner draws a line?
corner-test-key = Which corner draws a line? The key
corner-test-what =
    Put the pencil on the vanishing point and swing the ruler to each corner. Does it run through the
    shape? Then the corner draws no line. Tick one box for each corner.
corner-test-ask =
    Pencil on the vanishing point, swing the ruler to each corner. Does it run through the shape? Hands up
    for “a line”, hands down for “none”.
corner-test-total = How many lines in all?
corner-test-none =
    Here there is nothing to test: the corner test is for boxes seen in one point, and for letters and
    shapes.

# $point (point)
to-point = to { $point }

# $name (own) $wide (length) $high (length)
sheet-named = { $name } ({ $wide } wide, { $high } high)
# $wide (length) $high (length)
sheet-sized = { $wide } wide, { $high } high
# $mm (length)
level-from-top = { $mm } from the top
# $place (phrase)
place-on-sheet = { $place }
# $place (phrase)
place-on-strip = on a strip of paper, { $place }
forgiveness-name = Forgiveness
# $mm (number)
forgiveness-within = measure to within { $mm } mm
plan-words = Words to introduce
plan-look-for = While walking round
plan-materials = To put out
plan-cautions = Take care
plan-notes = Notes
page-fan = fan of lines, for a transparency
page-ladders = edge ladders
page-key = answer key at true size
page-starter = starter sheet
# $number (number) $title (phrase)
step-figure = Step { $number }: { $title }
# $point (point)
strip = { $point }
# $point (point) $part (number) $of (number)
strip-part = { $point }, part { $part } of { $of }
# $point (point)
strip-for = Strip for { $point }
# $side (choice) $across (length)
strip-tape =
    Tape the hatched end under the { WORD($side) } edge, { $across } from the { $side ->
        [left] top
        [right] top
       *[top] left
    }, with the long line level with the mark.
# $part (number)
strip-tape-on = Tape it to part { $part }.

## Ways over the ground

word-road = road
word-path = path
word-river = river
word-rails = railway
word-way = way
# $look (choice)
way-edges-title = the edges of the { WORD($look) }
# $left (mark) $right (mark) $across (phrase) $other (phrase) $vp (point) $look (choice)
way-edges =
    On the lower edge of the sheet mark { $left } { $across } and { $right } { $other }. Join both to { $vp }:
    the { WORD($look) } runs away between these lines.
    .simple =
        On the lower edge mark { $left } { $across } and { $right } { $other }. Join both to { $vp }. Between
        the lines is the { WORD($look) }.
# $vp (point)
way-edges-check = Both edges meet in { $vp } and nowhere else.
way-middle-title = lines for the dashes
# $middle (mark) $across (phrase) $vp (point) $half (length)
way-middle =
    On the lower edge mark { $middle } { $across }, and a mark { $half } to the left of it and one { $half } to
    the right. Draw light lines from all three to { $vp }.
# $vp (point)
way-middle-check = The middle line halves the way everywhere, down to { $vp }.
way-dashes-title = dashes
# $middle (mark) $alongs (list)
way-dashes = Further along the same line from { $middle } mark { $alongs }.
# $count (number)
way-dashes-level = { $count ->
    [one] Draw a level line through both marks, between the side lines: that is the dash.
   *[other] Draw level lines through the marks, between the side lines: { $count } dashes with gaps between them.
 }
# $count (number) $vp (point)
way-dashes-to = { $count ->
    [one] Lay the ruler on both marks and on { $vp }, and draw between the side lines: that is the dash.
   *[other] Lay the ruler on each mark and on { $vp }, and draw between the side lines: { $count } dashes with gaps between them.
 }
# $left (mark) $right (mark) $across (phrase) $other (phrase) $vp (point) $look (choice)
way-edges-light =
    On the lower edge of the sheet mark { $left } { $across } and { $right } { $other }. Join both to { $vp } lightly: so
    long are the sleepers. These two lines are rubbed out at the end.
way-rails-title = the rails
# $left (mark) $right (mark) $inside (length) $wide (length) $side (length) $vp (point)
way-rails =
    On the lower edge measure { $inside } inward from { $left }, then { $wide } further, then { $side }; the same from
    { $right }. Join all six marks to { $vp }: of each rail we see the top and the inner side.
# $vp (point)
way-rails-check = All six lines meet in { $vp }.
way-sleepers-title = the sleepers
# $left (mark) $alongs (list)
way-sleepers = Further along the same line from { $left } mark { $alongs }.
# $count (number)
way-sleepers-level =
    Draw level lines through the marks to the other light line, but never over a rail: the sleepers pass under it.
    Two lines make a sleeper; close both ends. { $count ->
        [one] That is one sleeper.
       *[other] These are { $count } sleepers.
    }
# $count (number) $vp (point)
way-sleepers-to =
    Lay the ruler on each mark and on { $vp }, and draw to the other light line, but never over a rail: the sleepers
    pass under it. Two lines make a sleeper; close both ends. { $count ->
        [one] That is one sleeper.
       *[other] These are { $count } sleepers.
    }
way-sleeper-fronts-title = the fronts of the sleepers
# $start (mark) $thick (length) $mark (mark) $vp (point)
way-sleeper-fronts =
    Straight down from { $start }, the near end of the first, measure { $thick }: { $mark }. Draw a light line from there to { $vp }.
    From the near corners of each go straight down, on the left as far as this line, and draw the lower edge like the upper one:
    not over a rail.
way-sleeper-fronts-check = The fronts grow lower and lower the further away they are.
way-sleepers-check = They come closer and closer together, never evenly.
way-kerb-title = the kerb
# $edges (list) $count (number) $inside (length) $vp (point)
way-kerb =
    On the lower edge measure { $inside } inward from { $edges }. Join the { $count ->
        [one] mark
       *[other] marks
    } to { $vp }: a second line just below the edge, and the pavement stands higher than the road.
    .simple =
        On the lower edge measure { $inside } inward from { $edges }. Join to { $vp }. That is the kerb.
# $vp (point)
way-kerb-check = The kerb grows narrower toward { $vp } and nowhere crosses the edge.
way-crossing-title = lines for the crossing
way-crossing-level = From both marks draw light level lines to the other edge.
# $vp (point)
way-crossing-to = Lay the ruler on both marks and on { $vp }, and draw light lines to the other edge.
way-crossing-check = Both lines run straight across, from edge to edge.
way-stripes-title = stripes
# $left (mark) $right (mark) $parts (number) $each (length) $vp (point) $count (number)
way-stripes =
    Part the lower edge of the sheet between { $left } and { $right } into { $parts } equal parts, { $each } each.
    Lay the ruler on each mark and on { $vp }, and draw only between the two light lines. Close every second
    space at both ends: { $count ->
        [one] that is the stripe.
       *[other] these are the { $count } stripes.
    }
way-stripes-check = Stripes and gaps are equally wide, all lead to the same point, and both edges begin with a gap.
way-dashes-check = Dashes and gaps grow shorter and closer the further they are away.

## Rows of buildings

row-ground-title = the ground line
# $foot (mark) $vp (point)
row-ground =
    From { $foot } draw a light line to { $vp }: on it stand the feet of the whole row. It stays until all is
    finished.
    .simple = From { $foot } draw a light line to { $vp }. The whole row stands on it.
# $vp (point)
row-ground-check = The ground line leads to { $vp }, like the foot of the first wall.
row-alone-title = the near upright
# $top (mark) $across (phrase) $down (phrase) $foot (mark) $length (length)
row-alone = Mark { $top } { $across } and { $down }. Draw its near upright straight down, { $length } long, to { $foot }.
row-first-title = the near upright
# $foot (mark) $below (phrase) $top (mark) $down (phrase)
row-first =
    On the edge of the way mark { $foot }, { $below }. From there draw an upright up to { $top }, { $down }.
row-gap-title = the near upright
# $foot (mark) $top (mark) $down (phrase)
row-gap = Draw an upright from { $foot } up to { $top }, { $down }: here the next building begins, after a gap.
row-next-title = the near upright
# $upright (marks) $top (mark) $down (phrase)
row-next =
    It begins where the last one ends. Lay the ruler along { $upright } and mark { $top } on it, { $down }.
# $upright (marks)
row-like-joined = It begins where the last one ends, and is as high: { $upright } is its near upright, too.
# $start (mark) $vp (point) $top (mark) $foot (mark)
row-like =
    It is as high as the one before, so nothing is measured: carry the line of that one’s top from { $start } on to { $vp },
    and draw an upright from { $foot } up to it, to { $top }.
# $foot (mark) $upright (marks) $end (mark) $vp (point)
row-like-length =
    It is as long as the last. Cross the diagonals of the last one’s wall, and carry the crossing toward { $vp } to the
    upright { $upright }: that is its middle. From { $foot } draw through that middle to the line of the tops: there,
    at { $end }, it ends.
row-behind-title = its near upright, behind the others
# $start (mark) $long (length) $mark (mark)
row-behind-level = Level from { $start } measure { $long } away from the way: { $mark }.
# $mark (mark) $top (mark) $down (phrase)
row-behind =
    It stands behind the others. Draw straight up from { $mark } to { $top }, { $down }. It ends where the others stand
    before it.
# $lower (mark) $foot (mark)
row-behind-foot =
    Its foot shows beside them: from { $lower } draw a light line the same way, and go straight down to it, to { $foot }.
row-behind-check = It stops where a nearer house stands.
row-upright-check = It stands square to the edge of the sheet, and its foot lies on the ground line.
row-length-title = how long
# $top (mark) $vp (point)
row-top = Draw a light line from { $top } to { $vp }.
# $line (marks)
row-end = Draw the upright { $line } down to the ground line.
# $vp (point)
row-length-check = Its top leads to { $vp }, and its upright ends on the ground line, not on the eye level.
row-across-title = what shows of the other side
# $top (mark) $long (length) $mark (mark)
row-across-level = Level from { $top } draw { $long }, to { $mark }: so much of its front shows.
# $top (mark) $vp (point)
row-across = From { $top } draw a light line to the other point, { $vp }.
row-across-check = What stands before it stops these lines.
row-back-title = the top
# $one (mark) $other (mark) $back (mark)
row-back = From { $one } along the row and from { $other } straight across: they cross in { $back }.
# $back (mark) $foot (mark)
row-back-foot = Draw lightly straight down from { $back } to the line from the far foot: { $foot }.
row-back-check = The top is closed by two lines.

## Posts in a line

word-post = post
word-pole = pole
word-fence = fence post
word-lamp = lamp
word-signpost = signpost
# $things (name) $number (number)
post-of = { $things } { $number }
# $look (choice)
post-first-title = the nearest { WORD($look) }
# $top (mark) $foot (mark) $length (length) $across (phrase) $down (phrase) $look (choice)
post-first =
    Mark { $top } { $across } and { $down }. Draw the nearest { WORD($look) } straight down, { $length } long, to
    { $foot }.
# $top (mark) $foot (mark) $length (length) $across (phrase) $down (phrase) $look (choice)
post-first-light =
    Mark { $top } { $across } and { $down }. Draw a light line straight down, { $length } long, to { $foot }: so
    high is the nearest { WORD($look) }.
# $down (length) $half (length)
post-arm-level = Mark { $down } below its top, and draw the arm level, { $half } to the left and { $half } to the right.
# $down (length) $half (length) $vp (point)
post-arm-to =
    Mark { $down } below its top. Lay the ruler there and on { $vp }, and draw the arm, { $half } toward the
    point and { $half } the other way.
# $across (phrase) $down (phrase)
post-arm-end = { $across } and { $down }
# $ends (list)
post-arm-alone = Mark the middle of its arm and both ends: { $ends }. Draw the arm from end to end.
post-first-check = It stands square to the edge of the sheet.
# $look (choice)
post-lines-title = lines for every { WORD($look) }
# $top (mark) $foot (mark) $vp (point)
post-lines = Draw light lines from { $top } and from { $foot } to { $vp }: all tops and feet lie on them.
# $vp (point)
post-lines-arm = Draw three more to { $vp }, from the arm’s middle and from both its ends.
# $upper (length) $lower (length)
post-rails-marks = For the rails mark { $upper } and { $lower } below its top.
# $vp (point)
post-lines-rails = Draw two more to { $vp }, from the marks of the rails.
# $vp (point)
post-lines-check = All of these lines meet in { $vp }.
# $look (choice)
post-next-title = the second { WORD($look) }
# $foot (mark) $top (mark) $look (choice)
post-next = There stands the second { WORD($look) }: draw straight up from { $foot } to { $top }.
post-next-arm = Draw its arm between the lines from the first arm’s ends.
post-next-rails = Draw the rails from post to post, along the lines of the rails.
# $look (choice)
post-by-hand-title = each { WORD($look) }, by hand
# $look (choice) $width (length)
post-by-hand =
    Without a ruler: draw the { WORD($look) } between its lines, about { $width } wide. Rub out the light line in it, and
    darken the { WORD($look) }.
# $look (choice) $width (length)
post-on-top = Without a ruler: draw what the { WORD($look) } carries, the whole about { $width } wide.
# $look (choice)
post-wires-title = the wires, by hand
# $sag (about)
post-wires =
    Without a ruler: let the wires hang from pole to pole. In the nearest space they hang about { $sag } below a
    straight line, in the middle; further away a little less each time.
post-wires-check = They hang in bows, flatter and flatter the further away they are.
post-next-check = It is as high as the lines allow, no higher and no lower.
# $look (choice)
post-repeat-title = one { WORD($look) } more
# $near (mark) $top (mark) $look (choice)
post-repeat =
    Cross the diagonals between the last two, and carry the crossing to the last upright: its middle. From
    { $near }, the foot of the one before, through that middle to the line of the tops: there, at { $top },
    stands the next { WORD($look) }.
    .simple =
        Find the middle of the last upright by diagonals. Put the ruler on { $near } and on this middle. Where it
        meets the line of the tops, at { $top }, stands the next { WORD($look) }.
# $things (list) $count (number)
again-posts = Do the same for { $things }, each from the two before it. Then rub out the diagonals.
post-repeat-check = The spaces between them grow narrower evenly.

## The little planet

tower-windows-title = windows
# $rows (number) $columns (number) $vp (point) $sides (choice)
tower-windows = { $sides ->
    [to-the-point]
        By hand draw windows in every wall that shows, { $columns } side by side and { $rows } one below the other, larger toward
        you. Their heads run like the edge of the roof above them, and their sides to { $vp }.
   *[like-the-walls]
        By hand draw windows in every wall that shows, { $columns } side by side and { $rows } one below the other, larger toward
        you. Their heads run like the edge of the roof above them, and their sides like the nearer edge of the wall.
 }
tower-windows-check = Every row is a little smaller than the one nearer to you.
disc-title = the planet
# $across (phrase) $down (phrase) $radius (length) $wide (length)
disc =
    Draw round a roll of tape, or with compasses, lightly: a circle { $wide } wide, its middle { $across } and { $down }.
    .simple =
        Draw round a roll of tape, lightly: a circle { $wide } wide. Its middle lies { $across } and { $down }.
disc-first-check = It is light: towers will stand before it.
disc-finish-title = the planet between the towers
disc-finish = Darken the circle where no tower stands before it, and rub out the rest of it.
# $high (length)
disc-land = Draw wavy land round it by hand, between the towers, up to about { $high } high.
disc-check = It is seen only between the towers.

## What is drawn by hand

word-hills = hills
word-sun = sun
word-cloud = cloud
word-tree = tree
word-bush = bush
word-person = person
word-bin = bin
word-aerial = aerial
# $look (choice)
sketch-title = the { WORD($look) }, by hand
# $look (choice) $across (phrase) $down (phrase) $width (length) $height (length)
sketch =
    Without a ruler: draw the { WORD($look) }, about { $width } wide and { $height } high. The upper left end of
    it lies { $across } and { $down }. Stop where something stands before it, and darken the line.
    .simple =
        Draw the { WORD($look) } by hand. It is about { $width } wide and { $height } high. It begins { $across }
        and { $down }.
sketch-check = It looks as you like it: nobody measures this line.

## Houses: walls, roofs, what lies in the walls

gable-middle-title = the gable
# $line (marks) $middle (mark)
gable-half = Halve the top line { $line } with the ruler: { $middle }.
# $one (marks) $other (marks) $line (marks) $over (mark)
gable-diagonals =
    Cross the diagonals { $one } and { $other } of the gable wall: there is its middle as we see it. Draw
    straight up through it to { $line }: { $over }.
    .simple =
        Draw the diagonals { $one } and { $other }. Where they cross is the middle. Draw straight up to
        { $line }. Mark { $over }.
# $one (marks) $other (marks) $line (marks) $over (mark) $third (point)
gable-diagonals-to =
    Cross the diagonals { $one } and { $other } of the gable wall: there is its middle as we see it. Draw
    through it and { $third } to { $line }: { $over }.
    .simple =
        Draw the diagonals { $one } and { $other }. Where they cross is the middle. Put the ruler on it
        and on { $third }. Mark { $over } on { $line }.
# $over (mark) $high (length) $peak (mark)
gable-peak = Go on { $high } above { $over }: { $peak } is the peak.
    .simple = Measure { $high } up from { $over }. Mark the peak { $peak }.
gable-half-check = The peak stands over the middle, as far from the left as from the right.
gable-middle-check = The nearer half of the wall looks wider than the further one.
# $left (mark) $right (mark) $peak (mark)
gable-slopes = Join { $left } and { $right } to { $peak }.
gable-slopes-check = The wall and its triangle are one face: no line stays between them.
lean-to-slope-title = the slope
# $base (mark) $high (length) $top (mark) $eave (mark)
lean-to-slope =
    Draw the upright through { $base } on by { $high }, to { $top }. Join { $top } to { $eave }.
    .simple = From { $base } go up { $high }. Mark { $top }. Join { $top } to { $eave }.
lean-to-check = Rain would run down to the low wall.
roof-ridge-title = the ridge
# $peak (mark) $vp (point)
roof-ridge = From { $peak } draw a light line to { $vp }: the ridge.
# $peak (mark)
roof-ridge-level = From { $peak } draw a light level line: the ridge.
    .simple = Draw a light level line from { $peak }: the ridge.
roof-ridge-check = The ridge and the eave lead to the same point, or both are level.
roof-point-name = the roof’s own point
roof-point-title = the roof’s own point
# $slope (marks) $vp (point) $point (mark)
roof-point =
    Draw the slope { $slope } on until it meets the line straight up and down through { $vp }: that is the
    roof’s own point { $point }. Draw both lines a little past their crossing.
    .simple =
        Draw a light line straight up through { $vp }. Draw the slope { $slope } on to it. Where they cross
        is the roof’s own point { $point }.
# $point (mark) $down (phrase)
roof-point-beside =
    { $point } lies { $down }: tape a second sheet there with two strips, so that it cannot turn, and leave
    it until the roof is finished.
    .simple = { $point } lies { $down }. Tape a second sheet there with two strips.
# $point (mark) $vp (point)
roof-point-check = { $point } is not chosen but found: it lies straight above or below { $vp }.
roof-far-point-title = the far slope
# $corner (mark) $point (mark)
roof-far-point = From { $corner } draw lightly to { $point }, as far as the ridge.
# $point (mark)
roof-far-point-check = Both slopes lead to { $point }.
roof-far-middle-title = the far slope
# $one (marks) $other (marks)
roof-far-middle =
    Cross the diagonals { $one } and { $other } of the far wall, and go straight up from there to the ridge.
roof-far-middle-check = The far peak stands over the far wall’s middle.
roof-far-parallel-title = the far slope
# $corner (mark) $slope (marks)
roof-far-parallel = Through { $corner } draw a parallel to { $slope }, as far as the ridge.
    .simple = From { $corner } draw the same way as { $slope }. Stop at the ridge.
# $off (length)
roof-approximate =
    This is approximate: the right far peak lies { $off } away, where both slopes lead to the roof’s own point.
roof-far-parallel-check = The two slopes keep their distance.
# $end (mark) $ridge (marks)
roof-far-ends = There is { $end }: the ridge is { $ridge }. Draw both.
    .simple = Mark { $end }. Draw the slope and the ridge { $ridge }.
hip-glass-title = a box of glass for the roof
# $corner (mark) $high (length) $top (marks)
hip-glass =
    Draw the upright at { $corner } on by { $high }. From there draw the top { $top } of a box of glass over
    the walls, lightly, as you draw any box.
hip-glass-check = The top of the glass box runs to the same points as the walls.
hip-middle-title = the roof’s middle
# $one (marks) $other (marks) $middle (mark)
hip-middle = Cross the diagonals { $one } and { $other } of the glass top in { $middle }.
# $middle (mark) $vp (point)
hip-line-to = Draw a light line through { $middle } and { $vp }, right across the top: there lies the ridge.
# $middle (mark)
hip-line-level = Draw a light level line through { $middle }, right across the top: there lies the ridge.
hip-middle-check = The middle line parts the top into two halves that are equal in truth.
hip-quarters-title = the ends of the ridge
# $middle (mark) $left (mark) $right (mark) $near (mark) $far (mark)
hip-quarters =
    Draw the other middle line through { $middle }, from { $left } to { $right }. Cross the diagonals of each
    half: { $near } and { $far } are the ends of the ridge.
hip-quarters-check = The ends lie on the middle line, a quarter from each end in truth.
hip-equal-title = the ends of the ridge
# $middle (mark) $each (length) $near (mark) $far (mark)
hip-equal =
    Measure { $each } along the middle line from { $middle } both ways, to { $near } and { $far }. Equal on
    paper is only nearly right: the further half should look shorter.
hip-equal-check = Both ends lie on the middle line.
hip-square-title = the ends of the ridge
# $one (mark) $other (mark) $point (point) $near (mark) $far (mark)
hip-square =
    From { $one } and from { $other } lead the ruler to { $point }: it crosses the middle line in { $near } and
    in { $far }.
# $one (mark) $other (mark) $near (mark) $far (mark)
hip-square-level =
    Level through { $one } and through { $other }: these lines cross the middle line in { $near } and { $far }.
hip-square-check = Seen from above the hips would run at half a right angle to the walls.
hip-edges-title = the hips
# $ends (marks)
hip-edges = Join { $ends } to the corners of the walls, as far as they show, and draw the ridge.
hip-edges-check = Every slope begins along a wall; no line of the glass box stays.
hip-helps-title = where lines go up the roof
# $ends (marks) $vp (point) $below (marks)
hip-helps =
    From both ends of the ridge, { $ends }, lay the ruler to { $vp }: where it meets the edge of the glass top go straight down
    to the eave, and mark { $below } there. From each of them the roof goes straight up to the ridge.
# $ends (marks) $below (marks)
hip-helps-level =
    From both ends of the ridge, { $ends }, go level to the edge of the glass top, and from there straight down to the eave: mark
    { $below } there. From each of them the roof goes straight up to the ridge.
# $slope (marks) $vp (point) $point (mark)
hip-point =
    Draw the line { $slope } on until it meets the line straight up and down through { $vp }: that is the slope’s own point
    { $point }.
hip-helps-check = Both lines up the roof look like the middle of a leaning wall: neither follows the slanting edges.
word-chimney = chimney
word-lettering = lettering
word-dormer = dormer
word-sign = sign
word-balcony = balcony
word-porch = porch
word-extension = extension
word-garage = garage
word-setback = setback
word-overhang = roof
word-block = block
# $start (mark) $vp (point) $end (mark) $foot (mark)
pattern-hip-upright =
    From { $start } draw a light line to { $vp }, and from { $end } one straight down: they meet in { $foot }, inside the house.
# $start (mark) $end (mark) $foot (mark)
pattern-hip-upright-level =
    From { $start } draw a light level line, and from { $end } one straight down: they meet in { $foot }, inside the house.
# $ridge (marks) $start (mark) $point (mark) $corner (mark)
pattern-hip-corner =
    Draw the ridge { $ridge } on, lightly. From { $start } lay the ruler to { $point }: it meets the ridge’s line in { $corner }.
# $ridge (marks) $start (mark) $slope (marks) $corner (mark)
pattern-hip-parallel =
    Draw the ridge { $ridge } on, lightly. From { $start } go parallel to { $slope }, to the ridge’s line: { $corner }.
# $look (choice)
block-place-title = where the { WORD($look) } is
# $corner (mark) $across (phrase) $down (phrase) $width (length) $height (length)
block-on-front =
    On the front mark { $corner }, { $across } and { $down }: the upper left corner of a rectangle { $width } wide and
    { $height } high. Mark its other corners, too.
# $upright (marks) $high (length) $vp (point)
block-height =
    Up { $upright } mark { $high } above the ground, and lead it lightly to { $vp }.
# $upright (marks) $low (length) $high (length) $vp (point)
block-heights =
    Up { $upright } mark { $low } and { $high } above the ground, and lead both lightly to { $vp }.
# $upright (marks) $high (length) $vp (point) $panel (own)
block-level =
    Its top is level with the head of “{ $panel }”: up { $upright } that is { $high } above the ground. Lead this mark lightly
    to { $vp }.
# $count (number)
block-uprights = { $count ->
    [one] Draw an upright over the mark on the ground line.
   *[other] Draw uprights over the two marks on the ground line.
}
# $mark (mark)
block-corner = The near upper crossing is { $mark }.
block-place-check = It lies in the wall like a window.
# $look (choice)
block-out-title = how far the { WORD($look) } stands out
# $start (mark) $vp (point) $out (length) $mark (mark)
block-out =
    Lay the ruler on { $vp } and on { $start }, and go on { $out } toward you: { $mark }. Do the same at the other corners,
    without measuring.
# $start (mark) $out (length) $mark (mark)
block-out-level = Level from { $start } go { $out } out of the wall: { $mark }. From the other corners draw level, too.
# $mark (mark)
block-front = From { $mark } draw its front like the wall behind it: edge by edge, from line to line.
block-flush = Its side goes on in the wall round the corner: both are one face, and no line stays between them.
block-out-check = Its front runs like the wall, and its sides like the wall round the corner.
setback-foot-title = the foot on the roof
# $one (marks) $other (marks)
setback-diagonals = Draw the diagonals { $one } and { $other } of the flat roof lightly.
# $mark (mark) $corners (marks)
setback-foot =
    From { $mark } draw a light line along the roof to the next diagonal, and turn there: so go round from diagonal to
    diagonal, as the edges of the roof run. The corners of the foot are { $corners }.
# $one (marks) $other (marks)
overhang-diagonals =
    Draw the diagonals { $one } and { $other } of the walls’ top lightly, and on beyond the corners at both ends.
# $edge (marks) $out (length) $mark (mark)
overhang-beyond = Draw the line { $edge } on by { $out }: { $mark }.
# $one (marks) $other (marks) $middle (mark)
overhang-middle =
    Draw the diagonals { $one } and { $other } of the walls’ top lightly: they cross in its middle, { $middle }.
# $mark (mark) $middle (mark) $edge (marks) $far (mark)
overhang-through =
    Lay the ruler on { $mark } and on the middle { $middle }: where it meets the line { $edge }, drawn on, is { $far }, as far
    beyond the wall as { $mark }.
# $corners (marks)
overhang-edges =
    From these marks draw light lines that run like the edges of the walls. Where they cross are the corners of the roof,
    { $corners }.
overhang-edges-check = Each side runs like the wall below it.
# $mark (mark) $corners (marks)
overhang-foot =
    From { $mark } draw a light line as the edge round the corner runs, from diagonal to diagonal, and turn there: so go round
    outside the walls. The corners of the roof are { $corners }.
setback-foot-check = All four corners lie on the diagonals, and each side runs like the edge of the roof beside it.
overhang-foot-title = its edge round the walls
overhang-foot-check = All four corners lie on the diagonals, and each side runs like the wall below it.
overhang-block-title = the board of its edge
overhang-block-check = Its edges run to the same points as those of the walls.
setback-block-title = its walls and its top
# $foot (mark) $high (length) $top (mark)
setback-block =
    Draw uprights on the corners. Up from { $foot } mark { $high }: { $top }. From there go round the top, edge by edge, each
    like the edge of the foot below it.
setback-block-check = Its edges run to the same points as those of the building below.
refused-setback-no-flat-roof = A setback stands on a flat roof. Choose a flat roof for the building, or take the setback out.
refused-eaves-of-joined =
    this roof would hang over into the house beside it; turn its gables to that house and let it hang over 0 there, or leave
    a gap
refused-eaves-at-a-wall = a roof that leans on a wall does not hang over; leave “eaves_mm” out here
refused-block-height = give either “height_mm” or “level_with”, the name of the door or window whose head it is level with
# $panel (own)
refused-no-such-head = this house has no door or window called “{ $panel }”; name one of its own, or give “height_mm”
refused-head-below = the head of that opening lies no higher than the block begins; lower “up_mm”, or name another
refused-part-behind = reaches behind the eye; make it smaller, or move its house away from us
refused-setback-in-or-out = is either set in (“in”) or hangs over (“out_mm”); give one of the two
refused-setback-too-far = It is set in so far that nothing is left of it. Choose less than half of the roof.
word-boards = boards
word-bricks = bricks
word-tiles = tiles
word-shingles = shingles
word-slabs = slabs
word-glass = panes of glass
word-stripes = stripes
# $look (choice)
pattern-courses-title = the courses of the { WORD($look) }
# $upright (marks) $parts (number) $each (length)
pattern-parted = Part the upright { $upright } into { $parts } equal parts, { $each } each.
# $upright (marks) $ups (list)
pattern-measured = Up the upright { $upright } mark { $ups }.
# $slope (marks) $vp (point)
pattern-to-slope = Lead each mark to { $vp }, only as far as the slope { $slope }.
# $slope (marks)
pattern-to-slope-level = Lead each mark level to the slope { $slope }.
# $vp (point)
pattern-along = From there draw a line to { $vp } each, as far as the other side. Stop at windows and doors.
pattern-along-level = From there draw level lines, as far as the other side. Stop at windows and doors.
pattern-courses-check = The courses grow narrower evenly, like the edges beside them.
# $look (choice)
pattern-joints-title = the joints of the { WORD($look) }
# $upright (marks) $ups (list) $diagonal (marks)
pattern-joints =
    Draw the diagonal { $diagonal } lightly. Up { $upright } mark { $ups }, and lead each mark along until it meets the
    diagonal: there stands a joint.
pattern-upright = Draw the joints straight up.
# $point (point)
pattern-up-to = All joints lead to { $point }.
# $slope (marks)
pattern-up-parallel = Draw the joints up the roof, parallel to { $slope }.
pattern-staggered = In every second course they stand between those below.
pattern-joints-check = They stand closer and closer the further away they are.
# $part (own) $whole (name)
part-of = { $part } of { $whole }
chimney-place-title = its place on the roof
# $one (marks) $other (marks) $middle (mark)
chimney-middle = Cross the diagonals { $one } and { $other } of the slope: { $middle } is its middle as we see it.
# $middle (mark) $vp (point)
chimney-line = Draw a light line from { $middle } to { $vp }.
# $middle (mark)
chimney-line-level = Draw a light level line through { $middle }.
# $start (mark) $along (length) $mark (mark)
chimney-level = Measure { $along } along the level line from { $start }: { $mark }.
chimney-place-check = Both marks lie on the slope, level with its middle.
dormer-place-title = its place on the roof
# $eave (mark) $ridge (mark) $up (length) $mark (mark) $vp (point)
dormer-place =
    Up the rake from { $eave } toward { $ridge } mark { $up }: { $mark }. Draw a light line from there
    to { $vp }: the foot of the dormer.
# $eave (mark) $ridge (mark) $up (length) $mark (mark)
dormer-place-level =
    Up the rake from { $eave } toward { $ridge } mark { $up }: { $mark }. Draw a light level line from
    there: the foot of the dormer.
dormer-place-check = Both feet lie on one line along the roof.
dormer-front-title = its front
# $foot (mark) $high (length) $other (mark) $over (mark) $peak_high (length) $peak (mark)
dormer-front =
    Draw an upright { $high } high from { $foot }, its top line like the foot, and an upright from
    { $other }. Both diagonals give the middle: straight up through their crossing to the top line,
    { $over }, and { $peak_high } on is the peak { $peak }. Join it to both tops.
dormer-front-check = The peak stands over the crossing of the diagonals.
dormer-back-title = back into the roof
# $peak (mark) $vp (point) $middle (mark) $end (mark)
dormer-back =
    The ridge runs from { $peak } to { $vp }. From { $middle }, the middle of the foot, a light line up
    the roof meets it in { $end }. Do the same from the tops and the feet, where it shows, and join
    what you found.
# $peak (mark) $middle (mark) $end (mark)
dormer-back-level =
    The ridge runs level from { $peak }. From { $middle }, the middle of the foot, a light line up the
    roof meets it in { $end }. Do the same from the tops and the feet, where it shows, and join what
    you found.
dormer-back-check = Ridge and eaves of the dormer run back level, its foot runs up the roof.
chimney-front-title = its front
# $foot (mark) $high (length) $top (mark) $other (mark)
chimney-front =
    Draw an upright { $high } high on { $foot }, to { $top }, and another on { $other }. Join their tops along the
    same way as their feet.
chimney-front-check = Its foot and its top lead to the same point, or both lie level.
chimney-deep-title = how deep it is
# $foot (mark) $top (mark)
chimney-deep = Draw the upright down from { $top } to the slanting line from { $foot }: so its foot rises with the roof.
# $slope (marks)
chimney-slope-parallel = Its foot goes up the roof, parallel to { $slope }.
# $point (mark)
chimney-slope = Its foot goes up the roof, to the roof’s own point { $point }, like every line there.
# $slope (marks) $vp (point) $point (mark)
chimney-slope-to =
    Its foot goes up the roof like every line there: to the roof’s own point, { $point }, where { $slope },
    prolonged, meets the upright through { $vp }.
chimney-deep-check = The slanting foot goes up like the edge of the roof.
chimney-top-title = its top
# $one (mark) $other (mark)
chimney-top = Close the top from { $one } and from { $other }: opposite corner to opposite point.
chimney-back-title = its back
chimney-back-check = Seen through, the foot is a face of four lines, like the top.
# $top (mark) $foot (mark)
chimney-back =
    Draw the last upright down from { $top } to the line from { $foot } along the roof, and join its foot to both others.
chimney-top-check = The top is closed by two lines.
parapet-title = the parapet
# $down (length)
parapet = Mark { $down } below the top on the nearest upright, and carry it round with light lines.
parapet-check = The lower line runs to the same points as the upper one.

word-windows = windows
word-door = the door
word-vents = vents
word-plain = the rectangle
# $look (choice)
panel-front-title = { WORD($look) }
# $corner (mark) $look (choice) $across (phrase) $down (phrase) $width (length) $height (length)
panel-front =
    Mark { $corner } { $across } and { $down }. Draw { WORD($look) } from there: { $width } wide and
    { $height } high.
panel-front-check = It is square to the edges of the sheet.
# $look (choice)
panel-heights-title = heights for { WORD($look) }
# $upright (marks) $ups (list)
panel-heights = Up the near upright { $upright } measure { $ups }.
# $upright (marks) $count (number) $each (length)
panel-storeys =
    Part the near upright { $upright } into { $count } equal storeys, { $each } each.
# $sill (length)
panel-sills = Above each storey’s line mark { $sill } for the sills.
# $high (length)
panel-heads = Mark { $high } more for the heads.
# $count (number)
panel-skip = { $count ->
    [one] Leave the lowest storey out.
   *[other] Leave the lowest { $count } storeys out.
 }
# $vp (point)
panel-lines-to = Draw light lines from the marks to { $vp }.
panel-lines-level = Draw light level lines from the marks.
panel-heights-check = All these lines meet in the same point as the wall’s top and foot.
panel-heights-level-check = All these lines are level.
# $look (choice)
panel-cuts-title = the sides of { WORD($look) }
panel-cuts-check = The uprights are square to the edge of the sheet.
# $look (choice)
panel-bays-title = uprights for { WORD($look) }
# $upright (marks) $ups (list) $diagonal (marks) $vp (point)
panel-by-diagonal =
    Up { $upright } mark { $ups }. Draw the diagonal { $diagonal } lightly. Ruler on each mark and on { $vp }:
    where it meets the diagonal an upright stands, as far across as it is up.
    .simple =
        Measure up { $upright }: { $ups }. Draw the diagonal { $diagonal }. Put the ruler on each mark and
        on { $vp }. Mark where it meets the diagonal.
# $foot (mark) $rights (list)
panel-by-measure = Along the wall’s foot from { $foot } measure { $rights }.
# $foot (mark) $rights (list) $last (mark) $far (mark) $carrier (mark)
panel-by-marks =
    Level through { $foot } measure { $rights }: piers and openings side by side, the longest to { $last }. The
    ruler on { $last } and { $far } meets the { eye-level } in { $carrier }. From every mark lead to there: where
    it meets the wall’s foot an upright stands.
# $count (number)
panel-by-eye = { $count ->
    [one] Choose the opening by eye.
   *[other] Choose { $count } openings by eye: each a little narrower than the one before.
 }
# $count (number)
panel-uprights = Draw { $count } light uprights there.
panel-bays-check = The openings grow narrower evenly as the wall runs away.
panel-bays-level-check = All openings are equally wide.
# $look (choice)
panel-one-title = { WORD($look) }
panel-one-sides = Draw light uprights there for the sides.
# $upright (marks) $low (length) $high (length) $vp (point)
panel-one-both =
    Up { $upright } mark { $low } and { $high }, and draw light lines to { $vp } from there.
# $upright (marks) $high (length) $vp (point)
panel-one-head = Up { $upright } mark { $high }, and draw a light line to { $vp } from there.
# $look (choice)
panel-one = Draw { WORD($look) } along these lines.
# $vp (point)
panel-one-check = Its head leads to { $vp }, like the foot of the wall.
# $look (choice) $count (number)
panel-openings-title = { WORD($look) }
# $look (choice) $count (number)
panel-openings = { $count ->
    [one] Draw the { WORD($look) } along the light lines.
   *[other] Draw one of the { WORD($look) } along the light lines in full, then all { $count }.
 }
lettering-strip-title = the strip for the letters
# $corner (mark) $across (phrase) $down (phrase) $width (length) $height (length)
lettering-front =
    Mark { $corner } { $across } and { $down }. Draw a light strip for the letters, { $width } wide and
    { $height } high.
lettering-strip-check = The strip lies flat in the wall: its lines run with the wall’s own.
lettering-rows-title = rows for the letters
# $upright (list) $measures (list) $diagonal (list) $vp (point)
lettering-rows = Down the strip’s near edge { $upright } mark { $measures }, and lead light lines to { $vp }.
# $line (list) $measures (list)
lettering-rows-level = Down { $line } mark { $measures }, and draw light level lines.
lettering-columns-title = uprights for the letters
# $upright (list) $measures (list) $diagonal (list) $vp (point)
lettering-columns =
    Draw the strip’s diagonal { $diagonal }. Down { $upright } mark { $measures }. Ruler on each mark and
    on { $vp }: where it meets the diagonal stands a light upright.
# $line (list) $measures (list)
lettering-columns-level = Along { $line } mark { $measures }, and draw light uprights.
lettering-light-check = All light lines stay inside the strip.
lettering-fields-title = a field for each letter
# $near (list) $diagonal (list) $vp (point) $count (number)
lettering-fields =
    Draw the strip’s diagonal { $diagonal }. Part its near edge { $near } into { $count } equal parts.
    Ruler on each mark and on { $vp }: where it meets the diagonal stands a light upright.
# $line (list) $count (number)
lettering-fields-level = Part { $line } into { $count } equal parts, and draw light uprights.
lettering-fields-check = The fields grow narrower evenly as the wall runs away; where we face it they are equal.
lettering-by-eye-title = the letters
# $text (own)
lettering-by-eye =
    Draw { $text } with the ruler, one letter in each field, and leave a little room on both sides. Lines
    across lead to the same point as the strip; the others are upright or slanted by eye.
lettering-title = the letters
# $text (own)
lettering = Draw { $text } along the light lines. Go from corner to corner, as in the picture.
lettering-check = Letters grow narrower as the wall runs away; none has a thickness.
# $look (choice)
panel-arch-title = { WORD($look) }: the arch
word-round = a round arch
word-pointed = a pointed arch
# $upright (list) $high (length) $vp (point) $shape (choice) $count (number)
panel-arch =
    Cross the diagonals of the opening: its middle lies straight above the crossing. On { $upright } mark
    { $high } above the head, and lead that to { $vp }: where it meets the middle is the top. Sketch
    { WORD($shape) } by hand from one upright over the top to the other.{ $count ->
        [one] { "" }
       *[other] { " " }Do all { $count } in this way.
    }
# $high (length) $shape (choice) $count (number)
panel-arch-level =
    Half way along the head measure { $high } up: the top. Sketch { WORD($shape) } by hand from one upright
    over the top to the other.{ $count ->
        [one] { "" }
       *[other] { " " }Do all { $count } in this way.
    }
panel-arch-check = The top lies over the middle as we see it: the nearer half of the arch is wider.
# $look (choice)
panel-inset-title = { WORD($look) }: how deep in the wall
# $mark (mark) $vp (point)
panel-inset =
    Draw a light upright through { $mark }. Then draw what you see of the inside: short lines from
    the corners to { $vp }, and the inner edges as far as the opening shows them.
# $mark (mark)
panel-inset-level =
    Draw a light upright through { $mark }. Then draw what you see of the inside: short level lines
    from the corners, and the inner edges as far as the opening shows them.
panel-inset-check = Nothing of the inside is drawn outside the opening.
# $look (choice)
panel-insets-title = { WORD($look) }: the others as deep
# $mark (mark) $count (number)
panel-insets = { $count ->
    [one] The other one is just as deep: carry the inner line through { $mark } along the wall.
   *[other] The other { $count } are just as deep: carry the inner lines through { $mark } along the wall.
 }
panel-insets-check = All show the same side of their inside.
# $count (number)
panel-door-instead = { $count ->
    [one] Leave one out: the door is in its place.
   *[other] Leave { $count } out: doors are in their places.
 }
panel-by-hand = Do it by hand, without the ruler.
# $things (list) $count (number)
again-openings = Do the same for { $things }.
# $count (number)
panel-openings-check = Count them: { $count } in all.
column-count = How many
column-rows = Windows, one below the other
column-columns = Side by side
column-gap = Gap
column-from = Begins
column-wide = Wide
column-peak = Peak
column-rake = Up the slope
column-text = Word
column-along = How long
# $value (phrase)
brief-along = { $value }
column-first = First mark
column-near = Near line
column-places = Corners, from the left / from the top
column-far = Far line
# $value (length)
brief-rake = { $value } up the slope
# $value (number)
brief-rows = { $value } one below the other
# $value (number)
brief-columns = { $value } side by side
# $value (phrase)
brief-peak = peak { $value }
# $value (own)
brief-text = { $value }
# $value (phrase)
brief-wide = wide: { $value }
# $value (phrase)
brief-from = begins at { $value }
# $value (phrase)
brief-gap = gap { $value }
# $value (phrase)
brief-first = { $value }
# $value (list)
brief-places = { $value }
# $value (phrase)
brief-near = { $value }
# $value (phrase)
brief-far = { $value }
# $value (number)
brief-count = { $value } in all

## What is said of a sheet

# $step (number)
finding-half-finished =
    You have come as far as step { $step }; that is what is looked at here.
# $point (point) $good (number) $all (number)
finding-family-meets = { $all ->
    [2] Both of your lines to { $point } lead there. Well ruled.
   *[other] All { $all } of your lines to { $point } lead there. Well ruled.
 }
# $point (point) $good (number) $all (number) $others (number)
finding-family-nearly-meets = { $good ->
    [0] Your { $all } lines to { $point } come very near it.
   *[other] { $good } of your { $all } lines to { $point } lead there, and { $others ->
        [one] the other comes
       *[other] the others come
    } very near it.
 }
# $point (point) $good (number) $all (number)
finding-family-mostly-meets = { $good } of your { $all } lines to { $point } lead there.
finding-uprights-true = Your uprights stand straight.
# $good (number)
finding-lines-on = { $good ->
    [one] One of your lines is just right.
   *[other] { $good } of your lines are just right.
 }
finding-begun = You have put your drawing on the sheet: that is a start to build on.

# $point (point) $where (phrase)
finding-vp-moved =
    Your lines agree with one another, but they meet { $where }. Next time put the dot for { $point } on
    the { eye-level } first, and lay the ruler on that dot for every line.
# $down (about) $height (choice) $across (about) $side (choice) $point (point)
away-both = { $down } { WORD($height) } and { $across } { WORD($side) } of { $point }
# $down (about) $height (choice) $point (point)
away-down = { $down } { WORD($height) } { $point }
# $across (about) $side (choice) $point (point)
away-across = { $across } { WORD($side) } of { $point }
# $point (point)
away-little = a little beside { $point }
word-to-left = to the left
word-to-right = to the right
word-below = below
word-higher = above
# $point (point) $goes (phrase)
finding-wrong-point =
    This line should run to { $point }, but it { $goes }. Put the pencil on its corner and swing the
    ruler to { $point } before drawing.
# $other (point)
goes-to = runs to { $other }
# $angle (number)
goes-off = goes another way, { $angle }° off
# $angle (number) $way (choice)
finding-sheet-turned =
    Your uprights and level lines agree, but all are turned by { $angle }° { WORD($way) }. Next time lay
    the { square } on the edge of the sheet, not on another line.
word-clockwise = clockwise
word-against-the-clock = against the clock
# $angle (number)
finding-upright-leans =
    This upright is turned by { $angle }°. Next time lay the { square } on the edge of the sheet.
# $angle (number)
finding-level-tilts =
    This level line is turned by { $angle }°. Next time measure both its ends from the top edge.
# $angle (number)
finding-eye-level-tilts =
    This line across the sheet is turned by { $angle }°. Next time measure both its ends from the top
    edge.
# $point (point) $angle (number) $miss (number)
finding-line-misses =
    This line passes { $miss } mm beside { $point } ({ $angle }°). Lay the ruler on its corner and on
    { $point }, then draw.
# $point (point) $angle (number)
finding-line-misses-far =
    This line is { $angle }° off its way to { $point }. Draw it anew.
finding-ends-on-eye-level =
    This upright stops on the eye level. It stands on the ground: draw it down to the slanting line at its foot.
# $letter (phrase)
finding-through-letter =
    This runs through your letter: { $letter } hides it. Rub it out. A line to the point that would run
    through the face is not drawn.
finding-unsure-edge = Is there an edge here? Only part of it is to be seen.
finding-hidden-drawn = What stands before it hides this edge; rub it out and let it end there.
finding-eye-level-inside = The eye level runs on inside a wall; rub it out there. It shows only in the gaps.
# $beside (about)
finding-peak-beside-middle =
    The peak stands { $beside } beside the middle of the wall. Cross the wall’s diagonals: the peak stands straight
    above their crossing.
finding-slopes-parallel =
    Both slopes of this roof were drawn parallel. They lead to one point: prolong the near slope to the upright
    through the wall’s point, and draw the far one from there.
# $vp (point)
finding-roof-point-picked =
    The far slope does not lead to the roof’s own point. It is found, not chosen: prolong the near slope to the
    upright through { $vp }.
# $point (point)
finding-storeys-parallel =
    The lines of this wall run parallel. Each of them leads to { $point }, so they close up the further they go.
# $point (point)
finding-sleepers-even =
    The sleepers lie at even distances. Toward { $point } they come closer and closer together.
finding-strip-missing =
    A taller house shows a strip of its other side above its neighbour; draw it, toward the other point.
# $house (own)
finding-house-missing = { $house } is missing; draw it in its place.
# $look (choice) $there (number) $asked (number)
finding-storeys-missing = Count the rows of { WORD($look) } from the ground up: there are { $there } of { $asked }.
# $look (choice) $there (number) $asked (number)
finding-bays-missing = Count the { WORD($look) } along a storey: there are { $there } of { $asked }.
# $look (choice) $there (number) $asked (number)
finding-openings-missing = { $asked ->
    [one] Something is missing in this wall: { WORD($look) }.
   *[other] Count the { WORD($look) }: there are { $there } of { $asked }.
 }
# $what (choice) $there (number) $asked (number)
finding-legs-missing = Count the legs of the { WORD($what) } that show: there are { $there } of { $asked }.
# $what (choice) $there (number) $asked (number)
finding-steps-missing = Count the risers of the { WORD($what) }: there are { $there } of { $asked }.
# $off (about)
finding-tiles-off =
    This row of tiles lies { $off } beside its place. Draw the diagonal of the first tile on: wherever it crosses a line to
    the point, a row begins.
# $darker (list) $lighter (list)
finding-values-swapped =
    { CAPITAL($darker) } should be darker than { $lighter }. Here it is the other way round.
# $count (number)
finding-plane-left-white = { $count ->
    [one] One plane was left white that should have a tone.
   *[other] { $count } planes were left white that should have a tone.
 }
finding-shadow-missing = This thing casts no shadow yet. Every thing that stands in the light has one.
finding-shadow-astray =
    This shadow lies elsewhere, or is shorter or longer: it begins at the foot and ends where the line from the foot meets
    the line of the light.
finding-stray-line = This line belongs to nothing here; rub it out.
# $angle (number)
finding-unsure-line =
    Is this line right? It seems to be { $angle }° off, and is too short or too unsteady to be sure.

# $count (number)
finding-missing-edge = { $count ->
    [one] One edge is
   *[other] { $count } edges are
 } not to be found; compare the drawing with the finished picture.
# $asked (number) $point (point) $drawn (number)
finding-fewer-edges =
    The exercise has { $asked ->
        [one] one edge
       *[other] { $asked } edges
    } to { $point }, yours has { $drawn }; compare it with the finished picture.
# $due (number) $point (point) $gone (number)
finding-missing-guide =
    There should be { $due } guide lines to { $point } by now; { $gone ->
        [one] one of them is
       *[other] { $gone } of them are
    } not there. Count the corners that send one.
# $piece (name) $gone (about) $point (point) $deep (choice) $ratio (number)
finding-past-halfway =
    { $piece } goes back { $gone }: that is past halfway to { $point }, and looks stretched.{ $deep ->
        [yes] {" "}In truth its depth would be { $ratio } × its width.
       *[no] {""}
    } Choose less next time.
# $count (number)
finding-unerased =
    { $count } construction lines are as dark as the edges. Draw them lightly, and rub them out when the
    edges are darkened.

# $apart (number)
finding-back-corner =
    Three edges should meet in one corner here; they miss by { $apart } mm. Find the corner first,
    opposite corner to opposite point, and draw all three to it.
# $past (number)
finding-corner-overshoots =
    This line runs { $past } mm past its corner; stop the pencil at the corner.
# $past (number)
finding-corner-gapes =
    This line stops { $past } mm short of its corner; bring it to the corner.
# $angle (number) $apart (about) $needed (about)
finding-points-too-close =
    The lowest corner is { $angle }°: so sharp that it looks as if it tips. Your points are { $apart } apart; put
    them { $needed } apart, on strips of paper beside the sheet.
# $angle (number) $apart (about) $needed (about)
finding-points-given =
    The lowest corner is { $angle }° on this sheet, so it may look as if it tips though its lines are right. The
    exercise has its points { $apart } apart; { $needed } would open it to 100°.
# $beside (number)
finding-not-the-middle =
    This line is { $beside } mm beside the place that the diagonal gives. Cross the diagonals of the
    face: they show its middle as we see it.
# $piece (name) $measure (phrase) $drawn (about) $asked (about)
finding-measured-otherwise =
    { $piece }, “{ $measure }”: { $drawn } on your sheet, { $asked } in the exercise. Measure it again; all
    lines that follow from it move along.
# $beside (about) $again (choice)
finding-misplaced =
    This edge runs the right way, but lies { $beside } beside its place. { $again ->
        [left-edge] Measure again from the left edge of the sheet.
        [top-edge] Measure again from the top edge of the sheet.
       *[corner] Check the corner it starts from.
    }
# $near (about) $far (about) $point (point) $right (about)
finding-wall-changes =
    This part is { $near } thick at one end and { $far } at the other; toward { $point } it should close
    up to { $right }. Set its thickness at one end, and draw both edges by the rule.
# $near (about) $far (about)
finding-wall-even =
    This part is { $near } thick at one end and { $far } at the other; in truth it stays as thick. Set
    its thickness at one end, and draw both edges by the rule.
# $point (point) $off (about) $way (choice)
finding-repeats-uneven =
    These repeats do not shrink evenly toward { $point }: this one stands { $off } too { WORD($way) }.
    Find its place again with the diagonals, from the one before it.
word-near = near
word-far = far

finding-photo-small =
    The photo was taken from far away, so thin lines are hard to see. Go nearer.
finding-photo-dark =
    The photo is dark. Take it by a window, without your own shadow on the sheet.
finding-photo-blurred =
    The photo is blurred. Hold the camera still and let it focus on the sheet.
finding-no-sheet =
    No sheet was found in the picture. Lay it on a darker desk, take in all four corners with a little
    desk around them, and hold the camera straight above; or set the corners by hand.
finding-blank-sheet =
    No drawing is to be seen on this sheet. Is it the back, or not begun? If there is one, the photo is too light or
    too blurred for it: take it again by a window, and hold the camera still.
# $why (choice)
finding-poor-photo =
    { $why ->
        [blurred] The photo is too blurred to judge the drawing. Take it again: hold the camera still and let it focus.
        [dark] The photo is too dark to judge the drawing. Take it again by a window, without a shadow on the sheet.
       *[small] The photo was taken from too far away to judge the drawing. Take it again from nearer.
    }
finding-another-exercise =
    This does not look like this exercise. Move it to the lesson it belongs to, or have it judged all the same.
# $title (own)
finding-looks-like =
    This looks like “{ $title }”. Move it to that lesson, or have it judged all the same.

## Marks, as they stand on a slip

mark-sure = ✓ Sure of it
mark-nearly = ~ Nearly there
mark-not-yet = ○ Not yet

## Why the judge is not sure of a sheet

doubt-photo = The photo shows less than it could.
doubt-sheet = The edges of the sheet are hard to see on the desk.
# $count (number)
doubt-missing = { $count ->
        [one] One edge is not to be found: forgotten, or too light for the eye?
       *[other] { $count } edges are not to be found: forgotten, or too light for the eye?
    }
# $count (number)
doubt-asked = { $count ->
        [one] One line is hard to tell.
       *[other] { $count } lines are hard to tell.
    }
# $count (number)
doubt-strays = { $count ->
        [one] One dark line belongs to nothing.
       *[other] { $count } dark lines belong to nothing.
    }
# $step (number)
doubt-half-finished = It was taken for half-finished, up to step { $step }.

## Each correction as a heading

title-vp-moved = A vanishing point of their own
title-measured-otherwise = A measure set wrongly
title-points-too-close = Vanishing points too close together
title-sheet-turned = A drawing turned on its sheet
title-eye-level-tilts = An eye level that is not level
title-wrong-point = A line to the wrong point
title-upright-leans = Uprights that lean
title-level-tilts = Level lines that tilt
title-line-misses = Lines that pass beside the vanishing point
title-not-the-middle = A middle that is not the perspective middle
title-repeats-uneven = Repeats that do not shrink evenly
title-back-corner = Back corners that do not meet
title-wall-changes = Walls whose thickness changes
title-storeys-parallel = Storeys that do not close up
title-slopes-parallel = Slopes drawn parallel
title-roof-point-picked = A roof’s point chosen instead of found
title-peak-beside-middle = A peak beside the middle
title-ends-on-eye-level = Uprights that stop on the eye level
title-sleepers-even = Sleepers at even distances
title-house-missing = A house is missing
title-storeys-missing = Rows of windows missing
title-legs-missing = A leg is missing
title-steps-missing = Steps miscounted
title-values-swapped = Values the wrong way round
title-plane-left-white = Planes left white
title-shadow-missing = Shadow missing
title-shadow-astray = Shadow astray
title-tiles-off = Tiles off the diagonal
title-bays-missing = Windows missing along a storey
title-openings-missing = Windows or doors missing
title-strip-missing = The strip of a taller house
title-through-letter = Lines through a letter
title-hidden-drawn = Hidden edges drawn
title-eye-level-inside = An eye level inside a wall
title-misplaced = Edges beside their place
title-missing-edge = Edges that were forgotten
title-missing-guide = Guide lines that were forgotten
title-corner-gapes = Corners that gape
title-corner-overshoots = Lines drawn past their corner
title-past-halfway = Chosen deeper than halfway
title-unerased = Construction lines left dark
title-stray-line = Lines that belong to nothing
title-unsure-edge = Edges that are hard to see
title-unsure-line = Lines that are hard to tell
title-photo-blurred = Photos that are blurred
title-photo-small = Photos taken from too far away
title-photo-dark = Photos taken in the dark
title-no-sheet = Photos without a sheet
title-blank-sheet = Sheets without a drawing
title-poor-photo = Photos to take again
title-another-exercise = Sheets of another exercise

## What is said of a picture without an exercise

# $point (point) $good (number) $all (number)
free-meets = { $good } of { $all } { $all ->
    [one] line
   *[other] lines
 } meet in one point, { $point }.
free-no-points =
    No vanishing point can be told: too few lines run to one. Photograph the drawing from straight
    above, or choose a picture with long straight edges.
# $angle (number)
free-tilts = The eye level is tilted by { $angle }°: it should be level.
# $angle (number)
free-leans = This upright leans by { $angle }°.
# $angle (number)
free-misses-level = This line runs { $angle }° beside level, unlike its family.
# $angle (number) $point (point)
free-misses = This line runs { $angle }° beside { $point }, unlike its family.

## What to show the class again

reteach-vp-moved = Show again how the dots are set first, on the eye level, and kept to.
reteach-points-too-close = Stretch a drawing sideways and show why the points belong far apart.
reteach-sheet-turned = Show again how the sheet is squared and the set square laid on its edge.
reteach-eye-level-tilts = Measure the eye level on both sides of the sheet, together.
reteach-wrong-point = Point with the ruler: which edge goes to which point? Do it with the class.
reteach-upright-leans = Show again how an upright is squared against the edge of the sheet.
reteach-level-tilts = Show again how a level line is measured at both its ends.
reteach-line-misses = Show again: pencil on the corner, swing the ruler to the point, then draw.
reteach-not-the-middle = Cross the diagonals on the board: the middle we see is not the ruler's.
reteach-repeats-uneven = Divide a wall on the board by diagonals: equal parts, shrinking steps.
reteach-back-corner = Build the back corner on the board: opposite corner to opposite point, twice.
reteach-wall-changes = Show one beam: both edges go to one point, so its end tells how thick it is.
reteach-storeys-parallel = Carry three equal marks to the point on the board: they close up like a fan.
reteach-slopes-parallel = Prolong both slopes of a finished roof on the board: they meet on the upright.
reteach-roof-point-picked = Find a roof’s point on the board: prolong the slope to the upright through the wall’s point.
reteach-peak-beside-middle = Cross the diagonals of a gable wall on the board, and draw straight up.
reteach-ends-on-eye-level = Ask where a wall stands: on the ground line, never on the eye level.
reteach-sleepers-even = Lay two sheets beside one another: one with even sleepers, one where they close up.
reteach-strip-missing = Show a tall and a low box side by side: what do we see of the tall one’s other side?
reteach-through-letter = Swing a ruler about the point from corner to corner: where it runs into the face, no line is drawn.
reteach-hidden-drawn = Cover a box with a book: what the book hides is not drawn.
reteach-eye-level-inside = Rub the eye level out inside the walls together; it stays in the gaps.
reteach-misplaced = Read the measures aloud together, and from which edge each one counts.
reteach-missing-edge = Count the edges of the finished drawing together, face by face.
reteach-missing-guide = Count the corners that send a guide line, before anyone draws on.
reteach-corner-gapes = Show a corner enlarged: lines meet, they do not greet from afar.
reteach-corner-overshoots = Show a corner enlarged: the pencil stops at the corner.
reteach-unerased = Light first, dark last: show the pressure of both on one strip of paper.
reteach-stray-line = Look for lines that belong to nothing, and rub them out together.
reteach-nothing = Nothing needs to be shown to the whole class again; a word to each is enough.

## Kinds of things and their fields, at the bench

kind-box = box
kinds-box = boxes
add-box = Add a box
kind-building = house
kinds-building = houses
add-building = Add a house
kind-way = way
kinds-way = ways
add-way = Add a road
kind-disc = planet
kinds-disc = planets
add-disc = Add a planet
kind-sketch = drawing by hand
kinds-sketch = drawings by hand
add-sketch = Add hills, a tree …
kind-posts = posts
kinds-posts = posts
add-posts = Add poles
kind-row = row
kinds-row = rows
add-row = Add a row
kind-cylinder = drum
kinds-cylinder = round things
add-cylinder = Add a round thing
kind-letters = word
kinds-letters = letters
add-letters = Add letters
kind-panel = panel
kinds-panel = panels
add-panel = Add tiles, a door, a picture …
kind-stairs = stairs
kinds-stairs = stairs
add-stairs = Add stairs
kind-room = room
kinds-room = rooms
add-room = Add a room
kind-made = furniture
kinds-made = furniture
add-made = Add furniture
kind-outline = shape
kinds-outline = shapes
add-outline = Add a shape

field-front-x-mm = From the left
field-front-y-mm = From the top
field-front-width-mm = Width
field-front-height-mm = Height
field-edge-x-mm = From the left
field-edge-top-mm = Top, from the top
field-edge-bottom-mm = Foot, from the top
field-edge-y-mm = Upper end, from the top
field-edge-length-mm = Length, toward VP3
field-stack-on = On the lines of
field-stack-top-mm = Top, from the top
field-stack-bottom-mm = Foot, from the top
field-depth = Depth
field-left = Left side
field-right = Right side
field-length = Length
field-thickness = Thickness
field-street = One behind the other, along a street
field-turned-vp-mm = Turned, with points of its own
field-standing = It stands
choice-standing-ground = on the ground
choice-standing-floating = in the air
field-transparent = Transparent
field-axis = The round thing lies
choice-axis-up = standing upright
choice-axis-away = away from us
choice-axis-left = to the left point
choice-axis-right = to the right point
field-text = Word, in capitals
field-alphabet = Its lines lie
choice-alphabet-measured = in round measures
choice-alphabet-quartered = on halves and quarters, by diagonals
field-form = Form
field-foot-x-mm = Its foot, from the left
field-foot-y-mm = Its foot, from the top
field-foot-width-mm = Width of its foot
field-back-x-mm = The back wall, from the left
field-back-y-mm = The back wall, from the top
field-back-width-mm = Width of the back wall
field-back-height-mm = Height of the back wall
field-corner-x-mm = The corner, from the left
field-corner-top-mm = Its upper end, from the top
field-corner-bottom-mm = Its foot, from the top
field-recess = Let into the wall
field-repeat = The same again beside it
field-repeat-count = How many in all
field-repeat-toward = They go on
choice-toward-away = away from us
choice-toward-us = toward us
choice-toward-left = to the left
choice-toward-right = to the right
field-risers = Steps
field-then = With a landing
field-then-landing = Landing, in widths
field-then-risers = Steps after it
field-then-turn = They turn
choice-turn-left = to the left
choice-turn-right = to the right
field-rail = With a rail
field-rail-mm = Rail, high over the noses
field-climbs = They climb
choice-climbs-left = to the left
choice-climbs-right = to the right
choice-climbs-away = away from us
field-tile-mm = Width of a tile, at the corner
field-chequered = Every second tile dark
field-grid-0 = Tiles across
field-grid-1 = Rows of tiles, at most
field-height = Height
field-levels = Heights that are carried round
field-board-mm = Thickness of its boards
field-leg-mm = Thickness of its legs or sides
field-seat-mm = Height of the seat
field-boards = Number of boards
field-back-side = Its back stands
field-columns = Columns
field-rows = Rows
field-layers = Layers
choice-form-table = a table
choice-form-stool = a stool
choice-form-bench = a bench
choice-form-chair = a chair
choice-form-bed = a bed
choice-form-shelf = a shelf
choice-form-tank = a tank
choice-form-book = a book
choice-form-cut = parts taken away
choice-back-back = behind
choice-back-front = in front
choice-back-left = on the left
choice-back-right = on the right
choice-back-far-left = far on the left
choice-back-far-right = far on the right
choice-form-block = straight block letters
choice-form-curved = round letters with curves
field-by = Its corners are found
choice-by-block = on the lines of a block
choice-by-corners = one by one
field-centre-x-mm = Middle, from the left
field-centre-y-mm = Middle, from the top
field-radius-mm = Radius
field-land-mm = Land round it, high
field-bands = Pattern bands on the sides
field-run = Its face lies
choice-run-left = left of the edge
choice-run-right = right of the edge
field-corners = Corners: mm from the face's left and top
field-edges-mm-0 = Left edge, on the lower edge
field-edges-mm-1 = Right edge
field-dashes = Dashes along the middle
field-dashes-count = How many dashes
field-dashes-wide-mm = How wide, at the lower edge
field-dashes-first = The first begins
field-kerb = Kerb beside both edges
field-kerb-in-mm = Inward, on the lower edge
field-track = Rails and sleepers
field-track-in-mm = Rails, inward from the ends
field-track-wide-mm = A rail, wide on top
field-track-side-mm = Its inner side
field-track-thick-mm = Sleepers with a front
field-track-sleepers = How many sleepers
field-track-first = The first sleeper
field-track-deep = Deep, of the way between
field-crossing = Crossing with stripes
field-crossing-near = It begins
field-crossing-far = It ends
field-crossing-stripes = How many stripes
choice-look-hills = hills
choice-look-sun = a sun
choice-look-cloud = a cloud
choice-look-tree = a tree
choice-look-bush = a bush
choice-look-person = a person
choice-look-bin = a bin
choice-look-aerial = an aerial
field-area-x-mm = From the left
field-area-y-mm = From the top
field-area-width-mm = Wide
field-area-height-mm = High
choice-look-road = a road
choice-look-path = a path
choice-look-river = a river
choice-look-rails = a railway
choice-to-VP1 = VP1
choice-to-VP2 = VP2
field-buildings = Its houses
added-house = Next house
added-house-like = The same house again
added-house-after-gap = Next house after a gap
field-top-mm = Begins, from the top
field-back = How far back
field-gap = After a gap of
field-behind = Behind the last, by
added-house-behind = House behind the last
field-from-piece = It begins at
field-from-side = On the side
field-from-foot-mm = Its first foot, from the top
choice-side-left = left
choice-side-right = right
field-post-x-mm = Nearest post, from the left
field-post-top-mm = Its top, from the top
field-post-foot-mm = Its foot, from the top
field-count = How many
field-next = The next stands
field-thing = What stands there
choice-thing-pole = poles
choice-thing-lamp = lamps
choice-thing-signpost = signposts
choice-thing-fence = a fence
choice-thing-tree = trees
choice-thing-person = people
choice-thing-bin = bins
field-rails = Rails from post to post
field-rails-upper-mm = Upper, below the top
field-rails-lower-mm = Lower, below the top
field-wires = Wires that sag
field-wires-sag-mm = They sag
field-arm = With an arm across
field-arm-long-mm = Arm, long
field-arm-down-mm = Arm, below the top
field-roof-kind = Roof
field-roof-eaves-mm = It hangs over the walls
field-roof-rake-mm = It hangs over differently at the gables
choice-roof-flat = flat
choice-roof-gable = gable: two slopes
choice-roof-hip = hip: four slopes
choice-roof-lean-to = lean-to: one slope
field-roof-end = The gable is
choice-end-left = on the left
choice-end-right = on the right
choice-end-front = in front
choice-end-side = at the side
field-roof-low = It falls to
choice-low-left = the left
choice-low-right = the right
choice-low-front = the front
choice-low-side = the side
field-roof-peak-mm = Height of the peak
field-roof-far = The far slope, by
choice-far-roof-point = the roof’s own point
choice-far-middle = the middle of the far wall
choice-far-parallel = a parallel, approximate
field-roof-ridge = The ridge ends
choice-ridge-quarter = at the quarters, by diagonals
choice-ridge-square = where the slopes are equal
choice-ridge-pyramid = in one point: a pyramid
field-roof-parapet-mm = Parapet, from the top
field-parts = In and on it
added-windows = Add windows
added-door = Add a door
added-chimney = Add a chimney
added-dormer = Add a dormer
added-sign = Add a sign
added-extension = Add an extension
added-overhang = Add a roof that hangs over
added-setback = Add a storey that is set back
added-lettering = Add lettering
added-bricks = Add bricks
added-tiles = Add tiles
choice-look-sign = a sign
choice-look-balcony = a balcony
choice-look-porch = a porch
choice-look-extension = an extension
choice-look-garage = a garage
choice-look-box = a box
choice-look-boards = boards
choice-look-bricks = bricks
choice-look-shingles = shingles
choice-look-slabs = slabs
choice-look-glass = glass
choice-look-stripes = stripes
field-courses = Courses
field-bays = In each course
choice-on-roof = the slope
choice-on-roof-left = left slope
choice-on-roof-right = right slope
choice-on-roof-front = front slope
choice-on-roof-side = slope at the side
field-wide = Wide
field-out-mm = Out of the wall
field-across-mm = Over the other walls
field-in = Set in
field-deep = Deep, at the top
field-high-mm = High, in front
field-rake-mm = Up the rake
field-peak-mm = Peak, above its sides
field-on = It is on
choice-on-left = left
choice-on-right = right
choice-on-front = front
field-look = What it is
choice-look-tiles = tiles
choice-look-rug = a rug
choice-look-picture = a picture
choice-look-window = a window
choice-look-cupboard = a cupboard
choice-look-windows = windows
choice-look-door = a door
choice-look-vents = vents
choice-look-plain = a plain rectangle
field-storeys = Storeys
field-skip = Storeys left out below
field-sill-mm = Sill, above the storey
field-up-mm = Foot, above the ground
field-height-mm = Height
field-inset = Cut into the wall
field-arch = An arch above
field-arch-shape = The arch is
field-arch-rise-mm = Top, above the head
choice-shape-round = round
choice-shape-pointed = pointed
field-from = From
field-to = To
field-windows = Windows in the walls that show
field-windows-rows = One below the other
field-windows-columns = Side by side
field-windows-sides = Their sides
choice-sides-to-the-point = run to the point
choice-sides-like-the-walls = run like the walls
field-bays-count = How many beside one another
field-bays-pier = Parts of a pier
field-bays-open = Parts of an opening
field-bays-by = Found
field-drawn = Letters are drawn
choice-drawn-by-eye = by eye, one in each field
choice-drawn-by-marks = by marks, line by line
choice-by-diagonal = by a diagonal
choice-by-marks = by marks on a level line
choice-by-eye = by eye
field-freehand = By hand, never judged
field-teach = Taught
choice-teach-one = one in full, then all
choice-teach-all = each in full
field-face-width-mm = Face, wide
field-face-height-mm = Face, high

grip-place = place
grip-peak = peak
grip-storeys = storeys
grip-height = height of the openings
grip-bays = bays
grip-from = begins
grip-to = ends
grip-top = top
grip-back = how far back
grip-gap = gap
grip-level = height
grip-way-edge = edge
grip-out = how far it stands out
grip-overhang = how far it hangs over
grip-inset = how far it is set in
face-left = left wall
face-right = right wall
face-front = front wall
face-top = flat top
face-roof = roof
face-roof-left = left slope of the roof
face-roof-right = right slope of the roof
face-roof-front = front slope of the roof
face-roof-side = side slope of the roof
grip-depth = depth
grip-left = left
grip-right = right
grip-length = length
grip-thickness = thickness
grip-street = street
grip-edge = front edge
grip-next = distance to the next
grip-dashes-first = first dash
grip-track-first = first sleeper
grip-crossing-near = near end of the crossing
grip-crossing-far = far end of the crossing

## A verdict as text

# $on (number) $near (number) $off (number) $stray (number)
verdict-counts = { $on } on, { $near } near, { $off } off, { $stray } stray
# $x (number) $y (number)
verdict-place = { $x }, { $y } mm
verdict-cannot-be-told = a place that cannot be told
# $point (point) $intended (phrase) $lines (number) $found (phrase)
verdict-meets = { $point } ({ $intended }): { $lines } { $lines ->
    [one] line, meets
   *[other] lines, meet
 } at { $found }

## Refusals: what is wrong, and the remedy

# $one (own) $other (own)
refused-each-partly-before =
    '{ $one }' and '{ $other }' each stand partly before the other, so neither can be drawn first;
    move one of them
# $one (own) $other (own)
refused-in-one-another = '{ $one }' and '{ $other }' stand in one another; move one of them apart
# $piece (own)
refused-no-such-piece = there is no piece '{ $piece }'; choose one of the exercise's
refused-lift-ground = lies on the ground and cannot be lifted; choose another thing
refused-lift-stacked = stands on the lines of another; move that one
refused-spread-one-point = only two- and three-point exercises have points to spread
refused-size-orientation = a size in mm takes no orientation; swap width_mm and height_mm
refused-points-order = right_vp_mm must be larger than left_vp_mm
refused-centre-beside = centre_mm must lie between left_vp_mm and right_vp_mm
# $down (length)
refused-third-on-eye-level =
    third_vp_mm lies at { $down }, on the eye level; put VP3 above or below it
# $name (own)
refused-id-twice = '{ $name }' is used twice; rename one
# $name (own)
refused-uid-twice = '{ $name }' is used twice; leave one of them out
# $name (own)
refused-no-such-view = there is no view '{ $name }'; add it to views
# $name (own)
refused-id-of-a-view =
    '{ $name }' is a view's name too, and both name vanishing points; rename the piece
# $down (length)
refused-one-eye-level = all views of a sheet share the eye level, { $down }
refused-one-eye-height = all views share the eye height; leave it out
# $kind (own) $kinds (list)
refused-no-such-kind = '{ $kind }' is no kind of piece; use { $kinds }
refused-no-such-field = this piece has no such field
# $most (number)
refused-too-large = the document is larger than { $most } MB
# $format (own)
refused-no-exercise = this is no exercise: 'format' must be '{ $format }'
# $version (number) $known (number)
refused-newer-version =
    version { $version } is newer than this program knows ({ $known }); update it
# $fault (own)
refused-no-json = this is not JSON ({ $fault }); save it again
# $word (own)
refused-word-too-large =
    '{ $word }' does not fit on the sheet in letters of any size; take a shorter one or a larger
    sheet
# $least (number)
refused-too-small = must be at least { $least } mm: what is smaller cannot be drawn
refused-too-much =
    there is more on this sheet than anybody could draw; leave out some of it, or make two exercises
refused-no-letters = no piece has letters; add a word before giving a text
refused-frame-too-wide = the frame leaves nothing to draw on; make it narrower
# $at (length) $why (phrase)
refused-turned = { $at }: { $why }; leave it out
refused-behind-the-eye =
    it reaches behind the eye, where nothing is seen; shorten it or move it back
refused-all-hidden = every step is hidden; show at least one of them
# $why (phrase)
refused-viewer-cannot = the viewer cannot move so: { $why }; take a smaller step, or move the points
refused-behind-the-viewer = would stand behind the viewer; take a smaller step
refused-gltf-of-a-step = solids are whole; choose the finished drawing for glTF
# $number (number) $count (number)
refused-no-such-step = { $number } is none of the steps 1 to { $count }
refused-not-acute =
    the triangle of the three points is not acute, so the solids have no true shape; move VP3
    further away
refused-line-too-short = a line has to be at least 3 mm long; draw it longer
refused-no-such-line = there is no line of this number; reload
# $family (own) $known (own)
refused-no-such-family = '{ $family }' is none of { $known }; choose one
refused-behind = a place lies behind the eye
refused-centre-between = the centre of vision lies between the two vanishing points
refused-third-off = the third vanishing point lies above or below the eye level
refused-no-right-angles = no eye sees right angles in this view
refused-turned-too-little = what is turned so little runs to the view's own points
refused-before-the-sheet = the eye stays before the sheet
refused-above-the-ground = the eye stays above the ground
refused-ground-above = the ground is seen only below the eye level
# $foot (length) $level (length)
refused-foot-above =
    the foot at { $foot } is on or above the eye level at { $level }, where no ground is seen;
    lower the foot, or let the piece float
# $letters (list) $word (own)
name-without-letter =
    There is no block letter for { $letters }. Give “{ $word }” another spelling in the register, or let
    this pupil choose another word.
refused-no-letter = write at least one letter
# $letter (own)
refused-unknown-letter =
    there is no block letter for '{ $letter }'; use A to Z, with their accents,
    0 to 9, a point, and & ! ? - '
refused-street-in-the-air = letters along a street stand on the ground
# $letter (own) $text (own)
refused-small-letter =
    '{ $letter }' is a small letter; block letters are capitals, so write '{ $text }'
# $high (length) $wide (length) $most (length)
refused-word-too-wide =
    at { $high } the word is { $wide } wide, above { $most }; make the letters lower, or the word
    shorter
refused-face-missing = say how wide and high the face is, in the measures of the corners
# $one (number) $loop (phrase) $other (number) $its (phrase)
refused-sides-cross =
    side { $one } of { $loop } touches or crosses side { $other } of { $its }; a shape is drawn
    without lifting the pencil or crossing a line
refused-hole-outside = it lies outside the shape; move it within
# $x (length) $y (length) $wide (length) $high (length)
refused-corner-off-the-face =
    ({ $x }, { $y }) lies outside the face of { $wide } × { $high }; keep every corner on it
refused-unknown-field = unknown field; remove it or check its spelling
# $third (point)
refused-edge-to-third = uprights run to { $third } here; give x_mm, y_mm and length_mm
# $at (length) $third (point) $there (length)
refused-edge-beyond-third =
    { $at } lies on the far side of { $third } at { $there }, where no upright begins; move the
    edge toward the eye level
# $long (length) $third (point) $room (length)
refused-edge-reaches-third =
    { $long } reaches { $third }, { $room } away, which no upright reaches; make the edge shorter
refused-no-such-wall = there is no such wall here; name one that this house shows
refused-wall-unseen = this wall does not show; move the house aside, or name another wall
refused-roof-behind = a roof so high cannot be seen from here; make it lower
refused-roof-too-short = the roof is too short for such a ridge; choose a pyramid or quarters
refused-no-parts = this thing has no parts to add
refused-track-too-wide = the rails meet in the middle; make them narrower or lay them further out
refused-crossing-order = the crossing ends before it begins; let it end further up the edge than it begins
refused-way-order = the left edge comes first; give the smaller measure before the larger one
refused-no-such-point = there is no such point in this view
refused-form-of-a-sketch = give area, the box on the sheet that it fills
refused-form-of-a-disc = give centre and radius_mm
# $surface (own)
refused-no-shadow-there = '{ $surface }' receives no shadows; give ground, or the floor of a room as in hall/floor
# $surface (own)
refused-off-the-surface = '{ $surface }' is not seen there: it begins nearer to the sheet's edge; move this outward
refused-sun-on-level = the sun lies on the eye level, where its shadows have no end; move it up, or down to stand behind us
refused-recess-along = give along_mm, how deep it is along the line into the wall
refused-repeat-way = along a wall that runs away it goes on away or toward us, on the back wall to the left or the right
refused-repeat-behind-us = so many do not fit before us; take fewer of them
refused-repeat-beyond = so many reach beyond their wall; take fewer of them, or begin elsewhere
refused-shadows-in-three = shadows are cast where uprights stand straight, in one and two points
refused-landing-in-three = stairs with a landing are drawn where uprights stand straight, in one and two points
refused-rail-in-three = a rail is drawn where uprights stand straight, in one and two points
refused-climbs-away = stairs climb away from us only in one point; here they climb to the left or to the right
refused-needs-room = this lies on the floor or in a wall of a room: put a room on the sheet first, and then point at the wall
refused-tile-size = give tile_mm, how wide a tile is at the corner of the room
refused-tiles-behind = so many tiles reach behind us; take fewer of them, or smaller ones
refused-form-of-a-panel = give grid for tiles, foot and depth for a rug, front on the back wall, or from, to and height_mm on another wall
# $surface (own)
refused-panel-surface = this does not lie in '{ $surface }': tiles and rugs lie on a floor, a front on the back wall, and cuts from and to on the left or right wall
refused-row-beyond = the first row ends between the front line and the vanishing point
refused-wall-off-sheet = the foot of that wall is not on the sheet
refused-higher-than-wall = it is higher than the wall
refused-panel-behind-wall = it lies behind the back wall: bring it nearer
refused-panel-empty = it begins and ends in the same place
refused-height-one-way = give one of mm, level and to
refused-form-of-a-room = give back, the back wall, in one point; or corner, the upright where two walls meet, in two
refused-room-eye = the eye level lies between floor and ceiling, or they would not show: move the wall or the eye level
refused-room-point = the vanishing point lies within the back wall, or one of the walls would not show: move it there
refused-back-in-two-point = a back wall is seen in true shape only in one point; in two points give corner
refused-corner-in-one-point = a corner is for two points; in one point give back, the back wall
refused-corner-beyond = the corner lies between the two vanishing points
refused-no-such-level = the room has no level of that name
refused-made-not-true = legs are square, and no eye sees right angles with these three points; move a point until the triangle of the three is acute
refused-made-no-room = there is no room for it: make it smaller, or the thing larger
refused-no-such-cell = there is no such part: columns, rows and layers are counted from 0
refused-nothing-left = everything is taken away: leave at least one part
refused-by-corners = corners are measured one by one only where the face is seen in true shape, in one point
refused-form-of-a-way = give edges_mm, where the way begins on the lower edge of the sheet
# $piece (own)
refused-row-from-none =
    '{ $piece }' is no building with such a side, and no way; list it before the row
# $foot (length)
refused-row-top = begins below its own foot, { $foot } from the top; choose a smaller measure
refused-row-foot = a row along a way needs foot_mm, where its first foot lies
refused-row-back = how far back is level here; give along_mm or x_mm
refused-row-too-far = has no room left here; make those before it shorter
refused-form-of-a-row = give from, where the row begins
refused-gap-and-behind = it stands either after a gap or behind its neighbour; leave one of them out
refused-row-behind-none = there is no neighbour to stand behind; begin with a house beside the way
refused-row-needs-base = a row begins at a house or a road; add one of these first
refused-form-of-posts = give post, the nearest one, and next, where the second stands
refused-posts-carry = only posts carry arms, rails or wires; leave them out, or let poles stand there
refused-rails-order = the lower rail lies below the upper; give it the larger measure
refused-rails-below = the lower rail lies below the foot of the post; choose a smaller measure
refused-arm-on-level = the arms lie on the eye level, where no line crosses another; put them higher or lower
refused-chimney-over-ridge = reaches over the ridge; make it less deep, or turn the roof
refused-slope-by-parallel =
    a far slope by a parallel is only nearly right, and nothing can stand on it; choose the roof’s own point or
    the middle of the far wall
refused-chimney-beyond = reaches beyond the end of the roof; make it narrower
refused-chimney-too-low = is lower than the roof behind it; make it higher, or less deep
refused-no-such-slope = the house has no such slope that we see; choose one that shows, on a gable or a lean-to
refused-pattern-under-roof = a wall under a gable has no four corners; lay the pattern on another wall, or on the roof
refused-dormer-over-ridge = reaches over the ridge; make it lower, or put it further down
refused-arch-inset = an opening with an arch is not cut into the wall; leave one of them out
refused-no-slope = we see no slope of this roof; choose a gable or a lean-to that turns to us
refused-level-cut = runs level here: give along_mm, a length on paper
refused-parapet-too-low = the parapet is as high as the wall; make it smaller
refused-panel-front = a front is for one rectangle on the wall in front, without storeys, bays and cuts
refused-panel-height = say how high it is
refused-panel-width = give from and to, or bays
refused-panel-skip = leaves all storeys out; skip fewer
refused-panel-cut-in-front = the wall in front does not run away; give a front, or bays
# $foot (length)
refused-foot-off-top = its foot, at { $foot }, does not lie on the top that it stands on; move it there
# $surface (name)
refused-no-such-surface = nothing stands on “{ $surface }”: name the flat top of a box or a building before it, such as “crate/top”
refused-like-measures = is not given: it is like another, and has its measures, its roof and its parts from there
# $like (name)
refused-like-none = no house before it in the row is called “{ $like }”
refused-panel-beyond-front = reaches beyond the front; choose a place and a size within it
refused-panel-beyond = lies beside the wall; choose a place between its near upright and its end
refused-panel-order = ends before it begins; choose a place further back
# $panel (own) $head (length) $wall (length)
refused-panel-too-high = '{ $panel }' reaches up { $head }, and the wall is only { $wall } high there
refused-edge-forms = an edge has either top_mm and bottom_mm, or y_mm and length_mm
refused-bottom-above = bottom_mm is measured from the top, so it must be larger than top_mm
refused-edge-straight = uprights stand straight here; give x_mm, top_mm and bottom_mm
# $at (length) $point (point)
refused-edge-over-point =
    { $at } stands exactly over { $point }, where a side shrinks to a line; move the edge or the
    point by a millimetre
# $value (phrase)
refused-cut-beyond =
    { $value } does not lie between the corner and its vanishing point; choose a place between
    them
refused-back-never-meets =
    ends just over a vanishing point, so the lines of its back never meet; choose another place
# $corner (own) $corners (list)
refused-cut-from = '{ $corner }' is none of { $corners }
# $true (length)
refused-cut-not-true =
    { $true } has no true depth here: the triangle of the three points is not acute, so no eye
    sees right angles; move VP3, or give along_mm
refused-cut-one-way = give exactly one of x_mm, fraction, along_mm, true_mm
refused-cut-point = point carries a true length; give true_mm, or leave point out
refused-cut-by-eye = by_eye is for along_mm and fraction; leave it out, or give one of them
refused-edge-in-one-point = this view has one point; give front and depth
refused-front-in-two-point = this view has two points; give edge, left and right
# $block (own)
refused-stack-on-none = no block '{ $block }' is listed before this one
# $block (own)
refused-stack-no-edge = '{ $block }' has no front edge; name a block with one
# $block (own)
refused-stack-other-view = '{ $block }' is seen in another view; give both the same
# $at (length) $block (own)
refused-stack-too-far =
    { $at }: there the edge of '{ $block }' is further off than can be measured; choose a place
    nearer to it
# $at (length) $point (point) $side (choice) $block (own)
refused-stack-beyond =
    { $at }: the line to { $point } does not meet the { WORD($side) } side of '{ $block }' before
    the point; choose a place nearer to it
refused-no-first-value = it cannot be left out and put back; give it a value
refused-run-missing = say which side of the edge is the face, left or right
# $at (length) $point (point) $way (choice)
refused-face-turned-away =
    { $at } lies beyond { $point }, where the face turns its back to us; move the edge to the {
    WORD($way) } of the point, or let it run to the { WORD($way) }
refused-run-in-one-point = in one-point the front is the face; leave run out
refused-curve-behind = a curve reaches behind the eye; make the word shorter or lower
# $axis (own) $fits (list)
refused-axis-none = '{ $axis }' is no direction of this view; use { $fits }
# $end (choice)
refused-end-edge-on =
    its { WORD($end) } is seen edge-on, a straight line; move the piece or the eye level by a few
    millimetres
# $end (choice)
refused-end-too-thin = its { WORD($end) } is too thin a circle to construct; make it deeper or wider
refused-form-of-a-block = give either front and depth, or edge, left and right, or stack
refused-form-of-a-word = give either front and depth, or edge, run, length and thickness
# $percent (number)
share = { $percent } %
the-shape = the shape
# $number (number)
the-hole = hole { $number }
# $first (own) $last (own)
list-or = { $first } or { $last }
refused-empty-class = nobody is in this class yet; add pupils first

## Refusals of single values, as the library that reads documents tells them apart

refused-missing = this field is missing; add it
# $kind (name) $points (number)
refused-kind-not-here =
    a { $kind } has no form in a view with { $points } { $points ->
        [one] vanishing point
       *[other] vanishing points
    } yet; put it in an exercise with another view
refused-kind-missing = this field is missing; add it
# $kind (own) $kinds (own)
refused-unknown-kind = unknown kind '{ $kind }'; use { $kinds }
# $value (own)
refused-no-number = must be a number; it is { $value }
# $choices (own) $value (own)
refused-none-of = must be { $choices }; it is { $value }
# $least (own) $value (own)
refused-greater-than = must be greater than { $least }; it is { $value }
# $least (own) $value (own)
refused-greater-than-equal = must be { $least } or more; it is { $value }
# $most (own) $value (own)
refused-less-than = must be less than { $most }; it is { $value }
# $most (own) $value (own)
refused-less-than-equal = must be { $most } or less; it is { $value }
# $value (own)
refused-no-finite-number = must be a finite number; it is { $value }
# $most (own)
refused-too-long = has too many entries; give { $most } at the most
# $least (own)
refused-too-short = has too few entries; give at least { $least }
# $value (own)
refused-name = begin with a letter, then letters, digits, spaces, - and _; it is { $value }
# $what (own) $value (own)
refused-other = { $what }; it is { $value }
# $what (own)
refused-other-bare = { $what }

## Refusals of pictures and files

# $step (number) $count (number)
refused-step-of-the-sheet =
    --step: { $step } is none of the steps 1 to { $count }; choose one of them
refused-svg-doctype = an SVG with a document type is not read; save it as plain SVG
# $fault (own)
refused-svg-broken = the SVG is broken ({ $fault }); save it again
refused-svg-transform = the SVG moves its lines by 'transform'; save it without groups
# $most (number)
refused-svg-lines = the SVG has more lines than { $most }; leave some out
refused-svg-numbers = a line of the SVG has ends that are no numbers; save it again
# $count (number) $most (number)
refused-too-many-sheets =
    the file holds { $count } { $count ->
        [one] sheet
       *[other] sheets
    }, more than the { $most } taken at once; send it in parts
# $most (number)
refused-too-much-together = the file holds more than { $most } MB of pictures; send it in parts
refused-several-sheets = the file holds several sheets; give them one by one
refused-zip-empty = this ZIP file is empty; put photos of sheets into it
refused-zip-packing = it is packed in a way that is not opened here; send it by itself
refused-zip-in-zip = a ZIP file within a ZIP file is not opened; send it by itself
# $most (number)
refused-photo-too-large-in-zip = more than the { $most } MB taken; send a smaller photo
refused-zip-broken = this ZIP file is broken; make it again, or send the photos
refused-no-picture =
    this file is not a readable picture (JPEG, PNG, WebP, HEIC or TIFF); take the photo again or
    save it as JPEG
# $pixels (phrase) $most (number)
refused-too-many-pixels =
    the picture has { $pixels } pixels, more than the { $most } million taken; send a smaller one
# $size (number) $most (number)
refused-photo-too-large =
    the file has { $size } MB, more than the { $most } MB taken; send a smaller photo
# $wide (number) $high (number) $least (number)
refused-too-few-pixels =
    the picture is only { $wide } × { $high } { $high ->
        [one] pixel
       *[other] pixels
    }; at least { $least } each way are needed to see pencil lines
far-too-many = far too many
# $count (number)
so-many-million = { $count } million
refused-pdf-locked = this PDF is locked by a password; save it without one
refused-pdf-broken = this PDF cannot be read; scan it again, or send photos
refused-no-sheet-in-file = the file holds no sheet
refused-file-in-zip = this file in the ZIP file is broken; send it by itself
refused-page = this page cannot be read; scan it again

## What is asked for and is not there

missing-class = this class does not exist
missing-lesson = this lesson does not exist
missing-sheet = this sheet does not exist
missing-picture = this sheet has no picture
missing-pupil = this pupil is not in any of your classes
missing-pupil-of-class = this pupil is not in the lesson's class
missing-file = this file is not there any more
missing-print = this print does not exist any more; ask for it again
missing-print-yet = this print is not ready yet
missing-exercise = this exercise does not exist; go back to the shelf
missing-exercise-to-save = this exercise does not exist any more; save it as a new one
missing-recipe = there is no such recipe; go back to the list
missing-sheets-of-pupils = no judged sheet has a pupil yet; give the sheets to pupils first
missing-photo-yet = this photo has not been opened yet; look again in a moment

## Refusals of the records

# $title (own) $copy (own)
refused-newer-there =
    '{ $title }' was changed in another window. Both are kept: that version stays, and yours is on
    the shelf as '{ $copy }'.
# $most (number)
refused-class-full =
    a class has at most { $most } { $most ->
        [one] pupil
       *[other] pupils
    }; make a second one
# $name (own)
refused-pupil-twice =
    { $name } is in this class already; write the names so that they can be told apart
# $name (own)
refused-pupil-twice-none-added =
    { $name } is in this class already; write the names so that they can be told apart. Nobody was
    added
# $name (own)
refused-class-there = there is a class { $name } already; choose another name
# $schema (own)
refused-newer-schema =
    these records were written by a newer version (schema { $schema }); nothing was changed. Update
    the program, or restore an older backup

## Refusals of the program itself: starting, stopping, the command line

# $words (own) $log (own)
refused-database-start =
    the database did not start; its last words: { $words } (whole log in { $log } beside it)
# $words (own)
refused-database-set-up = the database could not be set up: { $words }
# $needed (number) $free (number)
refused-no-room-for-copy =
    the records are brought up to date only after a copy of them, which needs { $needed } MB, and
    { $free } MB are free; make room and start again. Nothing was changed
# $words (own)
refused-no-copy =
    no copy of the records could be made ({ $words }), so they were not brought up to date; nothing
    was changed. Make sure that there is room and start again
# $words (own)
refused-migration =
    the records could not be brought up to date ({ $words }). Start again: it goes on where it
    stopped. A copy of the records as they were lies in the folder “backups”
# $program (own)
refused-not-installed = { $program } is not installed; install Debian's package mariadb-server
# $folder (own)
refused-data-not-whole =
    { $folder } holds files, but no whole database, so nothing was touched. If you are restoring a
    copy, restore all of it; to begin anew, move this folder elsewhere
refused-not-removed = nothing was removed; start again without --fresh to go on working
# $address (own)
refused-running = it is already running at { $address }
refused-still-starting = it is already running and is still starting
# $folder (own) $why (own)
refused-folder =
    { $folder } cannot be used ({ $why }); make sure that it can be written and has room, or choose
    another folder
# $most (number)
refused-svg-large = the SVG is larger than { $most } MB; leave out what is no line
# $first (number) $last (number)
refused-ports = ports { $first } to { $last } are all taken; free one
cli-step-of-solids = --step: solids are whole; leave --step out, or draw an SVG
# $number (number) $count (number)
cli-no-such-step =
    --step: { $number } is none of the steps 1 to { $count }; choose one of them
# $file (own) $why (own)
cli-cannot-write = { $file }: cannot be written ({ $why }); choose another place
cli-too-much-memory = this needs too much memory and was left off; take a smaller file
cli-too-long = this took too long and was left off; take a smaller file
cli-free-alone = check --free takes one picture and no exercise; leave the exercise out
cli-check-both = check takes an exercise and a picture; without an exercise use --free
# $option (own) $value (own) $known (list)
cli-unknown = { $option }: '{ $value }' is unknown; use { $known }
# $file (own) $why (own)
cli-cannot-read = { $file }: cannot be read ({ $why }); check the name

## At the door of the server

door-foreign-host = this server answers only under its own local address
door-foreign-page = another page may not change anything here
# $most (number)
door-too-large = up to { $most } MB are taken at once; send a smaller file
refused-photo-on-stack = this photo is on the stack already; one of it is enough
refused-one-picture = one picture at a time is looked at here, no ZIP and no PDF; send a photo or a scan
refused-too-many-pictures = a hundred pictures lie here already; remove some, and send this one again
missing-any-picture = there is no such picture; it may have been removed
refused-photo-on-that-stack = this photo is on the stack of that lesson already; nothing was moved
refused-marked-for-this-class =
    this sheet has a mark for a pupil of this class; nothing was moved. Take it from the stack, and add its photo to
    the other lesson
sheet-cannot-be-shown =
    This sheet cannot be shown: what was kept of it is spoilt. Take it from the stack, or have it
    judged again.
cannot-be-shown =
    This cannot be shown. You can open it to see why, save a copy of it as a file, or put it in the
    bin.
busy-come-later =
    so many drawings and prints wait that yours could not be put in the queue; nothing was changed.
    Your turn comes: try again in a minute
busy-too-long =
    this took too long and was left off; nothing was changed. Leave out some of the pieces, or ask
    for fewer parts at once
door-length-unknown = send the length of the content with it
records-out-of-reach =
    the records cannot be reached; nothing was changed. Try again in a moment, and restart the
    program if it stays so
records-full =
    there is no room left on this machine's disk, so nothing was changed. Make room, and do it again
unexpected-fault = something went wrong here; nothing was changed

## Long work that ended

work-fault = something went wrong while it was done; nothing else is touched. Try again
work-too-much = this file took too long (or too much memory) and was left; send it in another form
# $scans (number)
refused-too-many-scans =
    this picture is stored in { $scans } { $scans ->
        [one] layer
       *[other] layers
    } and would take too long to open; save it again as a plain JPEG

## Notes on how the server is

note-records =
    The records cannot be reached at the moment. The program tries again by itself; what you see
    stays, and what you change is saved as soon as it can be.
note-judges = Sheets are not judged at the moment; the program is starting its judges again.
# $free (number)
note-little-room =
    Only { $free } MB are free on this machine. Make room before the next class set, so that
    nothing has to be refused.
