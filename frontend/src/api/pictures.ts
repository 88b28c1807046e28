import { useMutation, useQuery, useQueryClient } from "@tanstack/vue-query";
import { toValue, type MaybeRefOrGetter } from "vue";
import { answered, api, type AnyPicture, type XY } from "./client";
import { underWay } from "./marking";

/** Drawings and photographs that are looked at without an exercise. */

const LOOK_MS = 700;
const LIST = ["pictures"];

export function usePictures() {
  return useQuery({
    queryKey: LIST,
    queryFn: () => answered(api.GET("/api/pictures")),
    refetchInterval: (query) => (query.state.data?.some(underWay) ? LOOK_MS : false),
  });
}

/** One picture; it is asked for again once it has been looked at. */
export function usePicture(
  pictureId: MaybeRefOrGetter<number | null>,
  state: MaybeRefOrGetter<string | undefined>,
) {
  return useQuery({
    queryKey: ["picture", () => toValue(pictureId), () => toValue(state)],
    enabled: () => toValue(pictureId) !== null,
    queryFn: () =>
      answered(
        api.GET("/api/pictures/{picture_id}", {
          params: { path: { picture_id: toValue(pictureId) ?? 0 } },
        }),
      ),
  });
}

export function useSendPicture() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (file: File) =>
      answered(
        api.POST("/api/pictures", {
          // A file travels as a form, which the typed client leaves to us.
          body: { file: file as unknown as string },
          bodySerializer: () => {
            const form = new FormData();
            form.append("file", file);
            return form;
          },
        }),
      ),
    onSuccess: () => client.invalidateQueries({ queryKey: LIST }),
  });
}

export function useForgetPicture() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (pictureId: number) =>
      answered(
        api.DELETE("/api/pictures/{picture_id}", { params: { path: { picture_id: pictureId } } }),
      ),
    onSettled: () => client.invalidateQueries({ queryKey: LIST }),
  });
}

/** Sets the points by hand; without any the picture is read by itself again. */
export function useSetPoints() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ id, points }: { id: number; points: Record<string, XY> }) =>
      answered(
        api.PUT("/api/pictures/{picture_id}/points", {
          params: { path: { picture_id: id } },
          body: { points_px: points },
        }),
      ),
    onSuccess: (picture) =>
      client.setQueriesData<AnyPicture>({ queryKey: ["picture", picture.id] }, picture),
  });
}
