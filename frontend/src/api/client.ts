import createClient from "openapi-fetch";
import type { components, paths } from "./schema";

type Schemas = components["schemas"];
export type Exercise = Schemas["Exercise"];
export type Flow = Schemas["Flow"];
export type Piece = NonNullable<Exercise["pieces"]>[number];
export type Outline = Schemas["Outline"];
export type KindSpec = Schemas["KindOut"];
export type FormSpec = Schemas["FormOut"];
export type FieldSpec = Schemas["FieldOut"];
export type Cut = Schemas["Cut"];
export type Picture = Schemas["PictureOut"];
export type Stroke = Schemas["StrokeRecord"];
export type Step = Schemas["StepOut"];
export type Advice = Schemas["AdviceOut"];
export type Grip = Schemas["GripOut"];
export type OpenFace = Schemas["OpenFaceOut"];
export type RowEnd = Schemas["RowEndOut"];
export type Settings = Schemas["Settings"];
export type CornerTest = Schemas["CornerTestOut"];
export type DemandOut = Schemas["DemandOut"];
export type DemandSpec = Schemas["DemandSpec"];
export type LessonPlan = Schemas["PlanOut"];
export type LessonSpec = Schemas["LessonSpec"];
export type PrintOrder = Schemas["OrderIn"];
export type ClassPrint = Schemas["ClassPrintIn"];
export type PrintPart = PrintOrder["parts"][number];
export type PrintJob = Schemas["PrintJobOut"];
export type ShelfItem = Schemas["ShelfItem"];
export type ShelfPlace = Schemas["Place"];
export type Recipe = Schemas["RecipeOut"];
export type PupilSheet = Schemas["PupilSheetOut"];
export type AnyPicture = Schemas["AnyPictureOut"];
export type FreeReading = Schemas["FreeRecord"];
export type Verdict = Schemas["VerdictRecord"];
export type JudgedStroke = Schemas["JudgedStrokeRecord"];
export type MeetingPoint = Schemas["MeetingPointRecord"];
export type Finding = Schemas["FindingRecord"];
export type Corrections = Schemas["Corrections"];
export type LineChange = Schemas["LineChange"];
export type SheetUpload = Schemas["UploadOut"];
export type SeenFace = Schemas["FaceOut"];
export type ClassSummary = Schemas["SummaryOut"];
export type DemandName = Lesson["demand"];
export type SchoolClass = Schemas["ClassOut"];
export type Lesson = Schemas["LessonOut"];
export type Understanding = Schemas["Understanding"];
export type Problem = Schemas["Problem"];
export type XY = [number, number];

/** A refusal in the server's own words, or the news that it could not be reached. */
export class Refusal extends Error {
  readonly problem: Problem;

  constructor(problem: Problem) {
    super(problem.detail);
    this.problem = problem;
  }

  get unreachable(): boolean {
    return this.problem.status === 0;
  }
}

const UNREACHABLE: Problem = {
  type: "urn:orthopsis:unreachable",
  title: "not reachable",
  status: 0,
  detail: "The program does not answer. Is it still running? Your work is kept on this page.",
};

export const api = createClient<paths>({ baseUrl: location.origin });

type Answer<Data> = { data?: Data; error?: unknown; response: Response };

/** The data of an answer; throws a Refusal for anything else. */
export async function answered<Data>(asked: Promise<Answer<Data>>): Promise<Data> {
  let answer: Answer<Data>;
  try {
    answer = await asked;
  } catch (fault) {
    if (fault instanceof DOMException && fault.name === "AbortError") throw fault;
    throw new Refusal(UNREACHABLE);
  }
  if (answer.data !== undefined) return answer.data;
  const problem = answer.error as Partial<Problem> | undefined;
  throw new Refusal({
    ...UNREACHABLE,
    title: "refused",
    detail: `The program answered with ${answer.response.status}.`,
    status: answer.response.status,
    ...problem,
  });
}
