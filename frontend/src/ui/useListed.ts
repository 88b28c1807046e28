import { toValue, watch, type MaybeRefOrGetter, type Ref } from "vue";

/** Keeps what is chosen among what is listed: the first takes the place of one that is not there. */
export function useListed(
  chosen: Ref<number | null>,
  listed: MaybeRefOrGetter<readonly { id: number }[] | undefined>,
) {
  watch(
    () => toValue(listed),
    (now) => {
      if (now && !now.some((one) => one.id === chosen.value)) chosen.value = now[0]?.id ?? null;
    },
    { immediate: true },
  );
}
