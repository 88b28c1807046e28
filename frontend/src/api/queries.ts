/** What the server knows, through the query library: one function for each thing asked. */
import { useMutation, useQuery, useQueryClient } from "@tanstack/vue-query";
import { toValue, type MaybeRefOrGetter } from "vue";
import { answered, api, type Exercise, type ShelfPlace } from "./client";

export function useShelf(place: MaybeRefOrGetter<ShelfPlace> = "shelf") {
  return useQuery({
    queryKey: ["exercises", () => toValue(place)],
    queryFn: () =>
      answered(api.GET("/api/exercises", { params: { query: { place: toValue(place) } } })),
  });
}

/** Move an exercise to the shelf, the archive or the bin. */
export function usePutExercise() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ id, place }: { id: number; place: ShelfPlace }) =>
      answered(
        api.PUT("/api/exercises/{exercise_id}/place", {
          params: { path: { exercise_id: id } },
          body: { place },
        }),
      ),
    onSuccess: () => client.invalidateQueries({ queryKey: ["exercises"] }),
  });
}

export function useCopyExercise() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (id: number) =>
      answered(
        api.POST("/api/exercises/{exercise_id}/copy", { params: { path: { exercise_id: id } } }),
      ),
    onSuccess: () => client.invalidateQueries({ queryKey: ["exercises"] }),
  });
}

/** What this server takes, and who is at work. */
export function useServer() {
  return useQuery({
    queryKey: ["server"],
    queryFn: () => answered(api.GET("/api/server")),
    staleTime: Infinity,
  });
}

/** The pupils of a class whose names cannot be drawn as the exercise's word. */
export function useNamesWithoutCard(id: number, classId: MaybeRefOrGetter<number | null>) {
  return useQuery({
    queryKey: ["names", id, () => toValue(classId)],
    queryFn: () =>
      answered(
        api.GET("/api/exercises/{exercise_id}/names/{class_id}", {
          params: { path: { exercise_id: id, class_id: toValue(classId)! } },
        }),
      ),
    enabled: () => toValue(classId) !== null,
  });
}

const LOOK_AFTER_MS = 20_000;

/** What a teacher should know of the server now; one sentence when it does not answer at all. */
export function useServerNotes() {
  return useQuery({
    queryKey: ["health"],
    queryFn: async () => {
      try {
        const { data, error } = await api.GET("/api/health");
        return (data ?? error)?.notes ?? [];
      } catch {
        return ["The program does not answer. What you see stays; it is asked again by itself."];
      }
    },
    refetchInterval: LOOK_AFTER_MS,
  });
}

export function useRecipes() {
  return useQuery({
    queryKey: ["recipes"],
    queryFn: () => answered(api.GET("/api/recipes")),
    staleTime: Infinity,
  });
}

export function useExercise(id: MaybeRefOrGetter<number>) {
  return useQuery({
    queryKey: ["exercise", () => toValue(id)],
    queryFn: () =>
      answered(
        api.GET("/api/exercises/{exercise_id}", { params: { path: { exercise_id: toValue(id) } } }),
      ),
    gcTime: 0,
    staleTime: 0,
  });
}

export function useNewExercise() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: Exercise) => answered(api.POST("/api/exercises", { body })),
    onSuccess: () => client.invalidateQueries({ queryKey: ["exercises"] }),
  });
}

export function useClasses() {
  return useQuery({ queryKey: ["classes"], queryFn: () => answered(api.GET("/api/classes")) });
}

export function useLessons() {
  return useQuery({ queryKey: ["lessons"], queryFn: () => answered(api.GET("/api/lessons")) });
}

export function useGiveLesson() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: { class_id: number; exercise_id: number; given_on: string }) =>
      answered(api.POST("/api/lessons", { body })),
    onSuccess: () => client.invalidateQueries({ queryKey: ["lessons"] }),
  });
}

export function useRegister(classId: MaybeRefOrGetter<number | null>) {
  return useQuery({
    queryKey: ["register", () => toValue(classId)],
    enabled: () => toValue(classId) !== null,
    queryFn: () =>
      answered(
        api.GET("/api/classes/{class_id}/register", {
          params: { path: { class_id: toValue(classId) ?? 0 } },
        }),
      ),
  });
}
