import { watch, type Ref } from "vue";
import { useRoute, useRouter } from "vue-router";

/** Keeps numbers in the page's address, so that a reload or a link comes to the same place. */
export function useAddress(numbers: Record<string, Ref<number | null>>) {
  const route = useRoute();
  const router = useRouter();
  for (const [name, number] of Object.entries(numbers)) {
    const said = Number(route.query[name]);
    if (Number.isInteger(said) && said > 0) number.value = said;
  }
  watch(Object.values(numbers), () => {
    const said = Object.entries(numbers).filter(([, number]) => number.value !== null);
    const query = Object.fromEntries(said.map(([name, number]) => [name, String(number.value)]));
    void router.replace({ query });
  });
}
