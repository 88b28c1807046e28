"""Drawing is stateless: a document comes in, its picture, steps or pages go out."""

from __future__ import annotations

from fastapi import APIRouter, Response
from pydantic import BaseModel

from orthopsis.exercise.advice import advice, facts
from orthopsis.exercise.board import board_factor, on_board, points_note, reach_note
from orthopsis.exercise.corner_test import corner_test
from orthopsis.exercise.demonstration import climbed, lifted, spread
from orthopsis.exercise.document import Exercise
from orthopsis.exercise.editing import (
    open_row_ends,
    renamed,
    with_field,
    with_house_beside,
    with_new_piece,
    with_part,
)
from orthopsis.exercise.faces import open_faces
from orthopsis.exercise.forgiveness import forgiveness
from orthopsis.exercise.records import drawing_record, number, plane_record, point, step_record
from orthopsis.exercise.resolve import Scene, eye_level_behind, picture, resolve
from orthopsis.exercise.runthrough import may_change_places, run_through
from orthopsis.exercise.shadows import shadows
from orthopsis.exercise.tone import planes
from orthopsis.exercise.viewer import viewer_moved
from orthopsis.handout.figure import toned
from orthopsis.perspective.plane import Point
from orthopsis.perspective.stroke import Stroke
from orthopsis.phrase import say
from orthopsis.pieces.base import Grip, NewPart
from orthopsis.pieces.describe import Field, Kind, kinds
from orthopsis.web.bench_models import (
    ChoiceOut,
    EditedOut,
    FieldIn,
    FieldOut,
    FormOut,
    HouseIn,
    KindOut,
    NewPieceIn,
    PartIn,
    RenameIn,
)
from orthopsis.web.models import (
    AdviceOut,
    ChangeOut,
    FactsOut,
    GripOut,
    OpenFaceOut,
    PictureOut,
    PlaneOut,
    RowEndOut,
    StepOut,
    StepsOut,
    ViewerIn,
)
from orthopsis.web.problems import PROBLEMS
from orthopsis.web.teach_models import (
    BoardOut,
    CornerOut,
    CornerTestOut,
    DemonstrateIn,
    DemonstrationOut,
    LiftIn,
    SpreadIn,
)
from orthopsis.web.turns import TO_DRAW, within
from orthopsis.wording.words import Words

router = APIRouter(prefix="/api", tags=["drawing"], responses=PROBLEMS, dependencies=[TO_DRAW])


@router.post("/picture", response_model=PictureOut)
@within("drawing")
def draw_picture(
    exercise: Exercise, lines_only: bool = False, hidden: bool = True, chosen: str | None = None
) -> Response:
    """The drawing of a document, with facts, advice and all grips; `lines_only` leaves out these
    and the grips of all but the `chosen` piece, and without `hidden` the lines that are not seen
    are missing, so that the answer keeps up with a moving hand.
    """
    # Put out as it is: to check our own record again costs more than to draw it.
    record = picture_record(resolve(exercise), lines_only, hidden, chosen)
    return Response(as_json(record), media_type="application/json")


@router.post("/steps")
@within("drawing")
def make_steps(exercise: Exercise) -> StepsOut:
    """The ruler-and-pencil steps of a document."""
    return run_record(resolve(exercise))


@router.post("/board")
@within("drawing")
def at_the_board(exercise: Exercise) -> BoardOut:
    """The exercise in board measures, and what to do where the ruler does not reach."""
    scene = resolve(exercise)
    large = on_board(scene)
    words, beside = large.words, points_note(large)
    notes = [reach_note(large, step) for step in run_through(large)]
    return BoardOut(
        document=large.exercise,
        factor=board_factor(scene),
        points_note="" if beside is None else words.say(beside),
        step_notes=["" if note is None else words.say(note) for note in notes],
    )


@router.post("/viewer")
@within("drawing")
def move_viewer(step: ViewerIn) -> Exercise:
    """The document of the same world, for a viewer who took a step."""
    return viewer_moved(step.document, step.right_mm, step.up_mm, step.back_mm)


@router.post("/demonstrate")
@within("drawing")
def demonstrate(asked: DemonstrateIn) -> DemonstrationOut:
    """A changed copy of the exercise, with the sentence that a teacher says to it."""
    show = asked.show
    if isinstance(show, LiftIn):
        shown, said = lifted(asked.document, show.piece, show.up_mm, show.right_mm)
    elif isinstance(show, SpreadIn):
        shown, said = spread(asked.document, show.factor)
    else:
        shown, said = climbed(asked.document, show.up_mm)
    sentence = resolve(shown).words.together(said)
    return DemonstrationOut(document=shown, sentence=sentence)


@router.post("/corner-test")
@within("drawing")
def ask_corners(exercise: Exercise) -> CornerTestOut:
    """Which corners draw a line, to be asked at the board."""
    scene = resolve(exercise)
    test = corner_test(scene)
    if test is None:
        none = scene.words.say(say("corner-test-none"))
        return CornerTestOut(corners=[], fronts=[], lines=0, question=none)
    return CornerTestOut(
        corners=[
            CornerOut(x_mm=one.at[0], y_mm=one.at[1], draws=one.draws, to=one.goal.at.xy)
            for one in test.corners
        ],
        fronts=test.fronts,
        lines=test.lines,
        question=scene.words.say(say("corner-test-ask")),
    )


@router.get("/kinds")
def list_kinds() -> list[KindOut]:
    """The kinds of pieces with their fields, from which a form is built."""
    return [_kind(kind, Words()) for kind in kinds()]


@router.post("/pieces")
@within("drawing")
def put_piece(asked: NewPieceIn) -> EditedOut:
    """The document with a new piece."""
    document, piece = with_new_piece(asked.document, asked.kind, asked.at, asked.step_mm)
    return EditedOut(document=document, piece=piece)


@router.post("/pieces/part")
@within("drawing")
def add_part(asked: PartIn) -> EditedOut:
    """The document with one more part in a piece."""
    at = None if asked.at is None else Point(*asked.at)
    new = NewPart(asked.what, asked.member, asked.on, at)
    return EditedOut(document=with_part(asked.document, asked.piece, new), piece=asked.piece)


@router.post("/pieces/house")
@within("drawing")
def add_house(asked: HouseIn) -> EditedOut:
    """The document with one more house in a row, and the row."""
    document, row = with_house_beside(asked.document, asked.piece, asked.side, asked.what)
    return EditedOut(document=document, piece=row)


@router.post("/pieces/name")
@within("drawing")
def rename_piece(asked: RenameIn) -> EditedOut:
    """The document with another name for a piece; what names it follows."""
    return EditedOut(document=renamed(asked.document, asked.old, asked.new), piece=asked.new)


@router.post("/pieces/field")
@within("drawing")
def choose_at_piece(asked: FieldIn) -> EditedOut:
    """The document after a choice at a piece; what no longer fits is chosen anew."""
    document = with_field(asked.document, asked.piece, asked.field, asked.value)
    return EditedOut(document=document, piece=asked.piece)


def _kind(kind: Kind, words: Words) -> KindOut:
    def field(one: Field) -> FieldOut:
        choices, added = (
            [
                ChoiceOut(value=c.value, label=words.say(c.label), systems=list(c.systems))
                for c in some
            ]
            for some in (one.choices, one.added)
        )
        return FieldOut(
            path=list(one.path),
            label=words.say(one.label),
            role=one.role,
            optional=one.optional,
            default=one.default,
            least=one.least,
            most=one.most,
            above=one.above,
            choices=choices,
            editor=one.editor,
            only=list(one.only),
            fields=list(map(field, one.fields)),
            added=added,
        )

    return KindOut(
        kind=kind.kind,
        name=words.say(kind.name),
        several=words.say(kind.several),
        add=words.say(kind.add),
        fields=list(map(field, kind.fields)),
        forms=[
            FormOut(
                name=form.name,
                tells=form.tells,
                systems=list(form.systems),
                sized=form.sized,
                fields=list(map(field, form.fields)),
            )
            for form in kind.forms
        ],
    )


def as_json(record: BaseModel) -> str:
    """An answer whose fields are right, so that nothing of it is checked again."""
    return record.model_dump_json(by_alias=True, exclude_unset=True)


def run_record(scene: Scene) -> StepsOut:
    """The steps with what the bench asks besides: what may come earlier."""
    made, words = run_through(scene), scene.words
    steps = []
    for k, step in enumerate(made):
        earlier = k > 0 and may_change_places(made[k - 1], step)
        record = step_record(k + 1, made, words, scene.sheet)
        steps.append(StepOut.model_construct(**dict(record), earlier=earlier))
    forgiven = forgiveness(made)
    miss_mm = None if forgiven is None else number(forgiven.mm)
    return StepsOut(steps=steps, forgiveness_mm=miss_mm, flow=scene.flow)


def picture_record(
    scene: Scene, lines_only: bool = False, hidden: bool = True, chosen: str | None = None
) -> PictureOut:
    strokes, toned_planes = picture(scene, hidden), planes(scene)
    fills = toned(scene, toned_planes)
    return PictureOut.model_construct(
        drawing=drawing_record(scene, [*strokes, *shadows(scene)]),
        planes=[
            PlaneOut.model_construct(**dict(plane_record(plane)), colour=fill.colour)
            for plane, fill in zip(toned_planes, fills, strict=True)
        ],
        eye_level=[(point(a), point(b)) for a, b in eye_level_behind(scene)],
        facts=None if lines_only else FactsOut.model_validate(facts(scene, strokes)),
        advice=None if lines_only else advice_record(scene, strokes),
        units=scene.wording.units,
        grips=[
            grip_record(piece.id, grip, scene.words)
            for number, piece in enumerate(scene.exercise.pieces)
            if not lines_only or piece.id == chosen
            for grip in piece.handles(scene.stage(number), scene.pieces[number])
        ],
        faces=None if lines_only else _faces(scene),
        row_ends=None if lines_only else _row_ends(scene),
    )


def _faces(scene: Scene) -> list[OpenFaceOut]:
    words = scene.words
    return [
        OpenFaceOut.model_construct(
            piece=scene.exercise.pieces[number].id,
            member=face.member,
            name=face.name,
            label=words.say(say(f"face-{face.name.replace(' ', '-')}")),
            outline=[point(xy) for xy in face.outline],
            takes=list(face.takes),
        )
        for number, face in open_faces(scene)
    ]


def _row_ends(scene: Scene) -> list[RowEndOut]:
    return [
        RowEndOut.model_construct(
            piece=piece, side=end.side, at=point(end.at.xy), takes=list(end.takes)
        )
        for piece, end in open_row_ends(scene)
    ]


def grip_record(piece: str, grip: Grip, words: Words) -> GripOut:
    return GripOut.model_construct(
        piece=piece,
        member=grip.member,
        field=grip.field,
        reads=grip.reads,
        stops=[(point(at.xy), value) for at, value in grip.stops],
        label=words.say(say(grip.label or f"grip-{grip.field.replace('.', '-')}")),
        way=grip.way,
        start=point(grip.start.xy),
        goal=point(grip.goal.xy),
        at=point(grip.at.xy),
    )


def advice_record(scene: Scene, strokes: list[Stroke]) -> list[AdviceOut]:
    words = scene.words
    return [
        AdviceOut(
            code=one.code,
            where=point(one.where),
            number=number(one.number),
            message=words.say(one.says),
            remedy="" if one.remedy is None else words.say(one.remedy),
            changes=[ChangeOut(path=list(c.path), value=c.value) for c in one.changes],
        )
        for one in advice(scene, strokes)
    ]
