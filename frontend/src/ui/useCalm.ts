import { onScopeDispose, shallowRef, toValue, watch, type MaybeRefOrGetter, type Ref } from "vue";

/**
 * The same value; while a hand is moving it is passed on at most so often, for what stands beside
 * the hand need not be drawn at each of its moves. At rest it is never late.
 */
export function useCalm<Value>(
  source: MaybeRefOrGetter<Value>,
  moving: MaybeRefOrGetter<boolean>,
  rest_ms: number,
) {
  const calm = shallowRef(toValue(source)) as Ref<Value>;
  let resting = 0;
  let late = false;
  function pass() {
    window.clearTimeout(resting);
    calm.value = toValue(source);
    late = false;
    resting = window.setTimeout(() => {
      resting = 0;
      if (late) pass();
    }, rest_ms);
  }
  watch(
    [() => toValue(source), () => toValue(moving)],
    ([, hand]) => {
      if (hand && resting) late = true;
      else pass();
    },
    { flush: "sync" },
  );
  onScopeDispose(() => window.clearTimeout(resting));
  return calm as Readonly<Ref<Value>>;
}
