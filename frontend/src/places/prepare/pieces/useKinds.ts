import { useQuery } from "@tanstack/vue-query";
import { computed } from "vue";
import { answered, api, type KindSpec } from "@/api/client";

const NONE: KindSpec[] = [];

/** The kinds of pieces with their fields, asked for once; none until they are here. */
export function useKinds() {
  const asked = useQuery({
    queryKey: ["kinds"],
    queryFn: () => answered(api.GET("/api/kinds")),
    staleTime: Infinity,
  });
  return computed(() => asked.data.value ?? NONE);
}
