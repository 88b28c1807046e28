import { useIsMutating, useMutation, useQuery, useQueryClient } from "@tanstack/vue-query";
import { computed, toValue, watch, type MaybeRefOrGetter } from "vue";
import {
  answered,
  api,
  type Corrections,
  type DemandName,
  type PupilSheet,
  type Understanding,
  type XY,
} from "./client";

/** Pupils' sheets: what is on the stack, what is under way, and what a teacher changes of it. */

/** The judge is warmed up while the teacher looks for the sheets; nothing depends on it. */
export function getReady() {
  void api.POST("/api/marking/ready").catch(() => null);
}

const LOOK_MS = 700;
const SENDING = ["send sheets"];
type SheetTask = { demand: DemandName; word: string | null };
type LessonId = MaybeRefOrGetter<number | null>;

export const underWay = (one: { state: string }) =>
  one.state === "waiting" || one.state === "working";

/** The stack of a lesson and the files not opened yet, looked at again while something is done. */
export function useStack(lessonId: LessonId) {
  const client = useQueryClient();
  const path = () => ({ params: { path: { lesson_id: toValue(lessonId) ?? 0 } } });
  const enabled = () => toValue(lessonId) !== null;
  const sending = useIsMutating({ mutationKey: SENDING });
  const uploads = useQuery({
    queryKey: ["uploads", () => toValue(lessonId)],
    enabled,
    queryFn: () => answered(api.GET("/api/lessons/{lesson_id}/uploads", path())),
    refetchInterval: (query) => (query.state.data?.some(underWay) ? LOOK_MS : false),
  });
  const sheets = useQuery({
    queryKey: ["sheets", () => toValue(lessonId)],
    enabled,
    queryFn: () => answered(api.GET("/api/lessons/{lesson_id}/sheets", path())),
    refetchInterval: (query) =>
      sending.value || [query.state.data, uploads.data.value].some((all) => all?.some(underWay))
        ? LOOK_MS
        : false,
  });
  const working = computed(
    () =>
      (uploads.data.value?.filter(underWay).length ?? 0) +
      (sheets.data.value?.filter(underWay).length ?? 0),
  );
  const lookAtSheets = () => void client.invalidateQueries({ queryKey: ["sheets"] });
  // Of a ZIP the first sheets are judged while the last still arrive.
  watch(sending, lookAtSheets);
  // What leaves a file is among the sheets; what is judged changes the class at a glance.
  watch(() => uploads.data.value?.filter(underWay).length, lookAtSheets);
  watch(working, () => void client.invalidateQueries({ queryKey: ["summary"] }));
  return { sheets, uploads, working };
}

function useSheetChange<Asked>(change: (asked: Asked) => Promise<PupilSheet>) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: change,
    onSuccess: (sheet) => {
      client.setQueryData<PupilSheet[]>(["sheets", sheet.lesson_id], (old) =>
        old?.map((one) => (one.id === sheet.id ? sheet : one)),
      );
      return Promise.all(
        ["sheets", "summary", "register", "faces"].map((key) =>
          client.invalidateQueries({ queryKey: [key] }),
        ),
      );
    },
  });
}

const of = (sheetId: number) => ({ params: { path: { sheet_id: sheetId } } });

export function useSendSheet(lessonId: LessonId) {
  const client = useQueryClient();
  return useMutation({
    mutationKey: SENDING,
    mutationFn: (file: File) =>
      answered(
        api.POST("/api/lessons/{lesson_id}/sheets", {
          params: { path: { lesson_id: toValue(lessonId) ?? 0 } },
          // A file travels as a form, which the typed client leaves to us.
          body: { files: [file as unknown as string] },
          bodySerializer: () => {
            const form = new FormData();
            form.append("files", file);
            return form;
          },
        }),
      ),
    onSuccess: () =>
      Promise.all([
        client.invalidateQueries({ queryKey: ["uploads"] }),
        client.invalidateQueries({ queryKey: ["sheets"] }),
      ]),
  });
}

export function useLessonWork(lessonId: LessonId) {
  const client = useQueryClient();
  const path = () => ({ params: { path: { lesson_id: toValue(lessonId) ?? 0 } } });
  const refresh = () =>
    Promise.all(
      ["uploads", "sheets", "summary", "lessons"].map((key) =>
        client.invalidateQueries({ queryKey: [key] }),
      ),
    );
  const cancel = useMutation({
    mutationFn: () => answered(api.POST("/api/lessons/{lesson_id}/cancel", path())),
    onSettled: refresh,
  });
  const forget = useMutation({
    mutationFn: (uploadId: number) =>
      answered(
        api.DELETE("/api/uploads/{upload_id}", { params: { path: { upload_id: uploadId } } }),
      ),
    onSettled: refresh,
  });
  const beStrict = useMutation({
    mutationFn: (demand: DemandName) =>
      answered(api.PUT("/api/lessons/{lesson_id}/demand", { ...path(), body: { demand } })),
    onSettled: refresh,
  });
  return { cancel, forget, beStrict };
}

export function useSummary(lessonId: LessonId) {
  return useQuery({
    queryKey: ["summary", () => toValue(lessonId)],
    enabled: () => toValue(lessonId) !== null,
    queryFn: () =>
      answered(
        api.GET("/api/lessons/{lesson_id}/summary", {
          params: { path: { lesson_id: toValue(lessonId) ?? 0 } },
        }),
      ),
  });
}

export function useFaces(sheetId: MaybeRefOrGetter<number>) {
  return useQuery({
    queryKey: ["faces", () => toValue(sheetId)],
    queryFn: () => answered(api.GET("/api/sheets/{sheet_id}/faces", of(toValue(sheetId)))),
  });
}

export const useJudge = () =>
  useSheetChange((sheetId: number) =>
    answered(api.POST("/api/sheets/{sheet_id}/judge", of(sheetId))),
  );

export const useSetCorners = () =>
  useSheetChange(({ sheetId, corners }: { sheetId: number; corners: XY[] }) =>
    answered(
      api.PUT("/api/sheets/{sheet_id}/corners", { ...of(sheetId), body: { corners_px: corners } }),
    ),
  );

/** What a sheet was drawn from, in the teacher's word; it is judged anew. */
export const useSetTask = () =>
  useSheetChange(({ sheetId, ...body }: SheetTask & { sheetId: number }) =>
    answered(api.PUT("/api/sheets/{sheet_id}/task", { ...of(sheetId), body })),
  );

export const useCorrect = () =>
  useSheetChange(({ sheetId, corrections }: { sheetId: number; corrections: Corrections }) =>
    answered(api.PUT("/api/sheets/{sheet_id}/corrections", { ...of(sheetId), body: corrections })),
  );

export const useAway = () =>
  useSheetChange(({ sheetId, away }: { sheetId: number; away: boolean }) =>
    answered(api.PUT("/api/sheets/{sheet_id}/away", { ...of(sheetId), body: { away } })),
  );

/** The teacher's word on whose sheet it is. */
export const useGiveTo = () =>
  useSheetChange(({ sheetId, pupilId }: { sheetId: number; pupilId: number }) =>
    answered(
      api.PUT("/api/sheets/{sheet_id}/pupil", { ...of(sheetId), body: { pupil_id: pupilId } }),
    ),
  );

export interface MarkToSave {
  sheetId: number;
  pupilId: number;
  understanding: Understanding;
  words: string;
}

export const useSaveMark = () =>
  useSheetChange(({ sheetId, pupilId, understanding, words }: MarkToSave) =>
    answered(
      api.PUT("/api/sheets/{sheet_id}/mark", {
        ...of(sheetId),
        body: { pupil_id: pupilId, understanding, words },
      }),
    ),
  );

/** Takes a mark back. */
export const useForgetMark = () =>
  useSheetChange((sheetId: number) =>
    answered(api.DELETE("/api/sheets/{sheet_id}/mark", of(sheetId))),
  );

/** Puts a sheet on the stack of another lesson, where it is judged. */
export const useMoveSheet = () =>
  useSheetChange(({ sheetId, lessonId }: { sheetId: number; lessonId: number }) =>
    answered(
      api.PUT("/api/sheets/{sheet_id}/lesson", { ...of(sheetId), body: { lesson_id: lessonId } }),
    ),
  );

export function useSavePhrase(exerciseId: MaybeRefOrGetter<number>) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: { code: string; words: string }) =>
      answered(
        api.PUT("/api/exercises/{exercise_id}/phrases", {
          params: { path: { exercise_id: toValue(exerciseId) } },
          body,
        }),
      ),
    onSuccess: () =>
      Promise.all([
        client.invalidateQueries({ queryKey: ["sheets"] }),
        client.invalidateQueries({ queryKey: ["summary"] }),
      ]),
  });
}
