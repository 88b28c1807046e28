import { useQuery } from "@tanstack/vue-query";
import { toValue, type MaybeRefOrGetter } from "vue";
import { answered, api, type DemandOut, type Exercise } from "@/api/client";

/** The three demands of a document. */
export function useDemands(document: MaybeRefOrGetter<Exercise | null>) {
  return useQuery({
    queryKey: ["demands", () => toValue(document)],
    enabled: () => toValue(document) !== null,
    placeholderData: (before: DemandOut[] | undefined) => before,
    queryFn: () => answered(api.POST("/api/demands", { body: toValue(document) as Exercise })),
  });
}

export const DEMANDS: readonly { name: DemandOut["name"]; title: string }[] = [
  { name: "first steps", title: "First steps" },
  { name: "standard", title: "Standard" },
  { name: "stretch", title: "Stretch" },
];

/** The demands to choose from in a field. */
export const DEMAND_OPTIONS = DEMANDS.map(({ name, title }) => ({ value: name, label: title }));

/** A demand named in an address. */
export function demandIn(word: unknown): DemandOut["name"] {
  return DEMANDS.find(({ name }) => name === word)?.name ?? "standard";
}
