/** A place for composables in tests: a component without a page. */
import { createRenderer, defineComponent, type Plugin } from "vue";

const nothing = () => ({});
const { createApp } = createRenderer<object, object>({
  insert: nothing,
  remove: nothing,
  createElement: nothing,
  createText: nothing,
  createComment: nothing,
  setText: nothing,
  setElementText: nothing,
  parentNode: () => null,
  nextSibling: () => null,
  patchProp: nothing,
});

/** Run a composable as a component would, with what the app uses; `leave` ends it. */
export function hosted<Made>(
  use: () => Made,
  plugins: Plugin[] = [],
): { made: Made; leave: () => void } {
  let made: Made | undefined;
  const app = createApp(
    defineComponent({
      setup() {
        made = use();
        return () => null;
      },
    }),
  );
  for (const plugin of plugins) app.use(plugin);
  app.mount({});
  return { made: made as Made, leave: () => app.unmount() };
}

/** Let everything that is only waiting for a turn go on. */
export async function settled(turns = 12) {
  for (let i = 0; i < turns; i += 1) await Promise.resolve();
}
