/** The teacher's settings: what holds everywhere, whatever an exercise says itself. */
import { useMutation, useQuery, useQueryClient } from "@tanstack/vue-query";
import { computed } from "vue";
import { answered, api, type Exercise, type Settings } from "@/api/client";
import { asSaid } from "./said";

const KEY = ["settings"];

export function useSettings() {
  return useQuery({
    queryKey: KEY,
    queryFn: () => answered(api.GET("/api/settings")),
    staleTime: Infinity,
  });
}

export function useSaveSettings() {
  const client = useQueryClient();
  return useMutation({
    // One after the other: what was set last is what is kept, however quickly it is set.
    scope: { id: "settings" },
    mutationFn: (body: Settings) => answered(api.PUT("/api/settings", { body })),
    onMutate: (body) => client.setQueryData(KEY, body),
    onError: () => client.invalidateQueries({ queryKey: KEY }),
  });
}

/** A document that is always in the teacher's own words. */
export function useSaid(document: () => Exercise | null | undefined) {
  const settings = useSettings();
  return computed(() => {
    const doc = document();
    // Until the settings are there nothing is said at all: words would change under the eyes.
    return doc && !settings.isPending.value ? asSaid(doc, settings.data.value) : null;
  });
}
