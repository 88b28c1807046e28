import { toValue, watchEffect, type MaybeRefOrGetter } from "vue";

/** The page's own title, as a tab and a screen reader name it. */
export function usePageTitle(title: MaybeRefOrGetter<string | null | undefined>) {
  watchEffect(() => {
    const own = toValue(title);
    document.title = own ? `${own} · Orthopsis` : "Orthopsis";
  });
}
