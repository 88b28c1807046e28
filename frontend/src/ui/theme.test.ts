import { beforeEach, expect, test, vi } from "vitest";

/** Relative luminance and contrast by WCAG 2.2 (definitions of "relative luminance" and "contrast
 * ratio"; the formula from memory). */
function luminance(hex: string) {
  const [r, g, b] = [1, 3, 5].map((at) => {
    const part = parseInt(hex.slice(at, at + 2), 16) / 255;
    return part <= 0.04045 ? part / 12.92 : ((part + 0.055) / 1.055) ** 2.4;
  });
  return 0.2126 * r! + 0.7152 * g! + 0.0722 * b!;
}

function contrast(one: string, other: string) {
  const [high, low] = [luminance(one), luminance(other)].sort((a, b) => b - a);
  return (high! + 0.05) / (low! + 0.05);
}

let prefersDark = false;
let tell: ((event: { matches: boolean }) => void) | undefined;

const kept = new Map<string, string>();

async function fresh() {
  vi.resetModules();
  vi.stubGlobal("localStorage", {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => void kept.set(key, value),
  });
  vi.stubGlobal("document", { createElement: () => ({}), documentElement: { dataset: {} } });
  vi.stubGlobal("matchMedia", () => ({
    matches: prefersDark,
    addEventListener: (_kind: string, heard: typeof tell) => (tell = heard),
  }));
  return import("./theme");
}

beforeEach(() => {
  kept.clear();
  prefersDark = false;
});

test("black on white has the greatest contrast there is", () => {
  expect(contrast("#000000", "#FFFFFF")).toBeCloseTo(21);
  expect(contrast("#767676", "#FFFFFF")).toBeGreaterThan(4.5);
});

test.each([false, true])("words, fields and buttons can be read (dark: %s)", async (dark) => {
  prefersDark = dark;
  const { useTheme } = await fresh();
  const { common } = useTheme().overrides.value;
  for (const ink of [common!.textColor1!, common!.textColor3!, common!.primaryColor!]) {
    expect(contrast(ink, common!.cardColor!)).toBeGreaterThan(4.5);
    expect(contrast(ink, common!.inputColor!)).toBeGreaterThan(4.5);
  }
  const { textColorPrimary } = useTheme().overrides.value.Button as { textColorPrimary: string };
  expect(contrast(textColorPrimary, common!.primaryColor!)).toBeGreaterThan(4.5);
  expect(contrast(textColorPrimary, common!.primaryColorHover!)).toBeGreaterThan(4.5);
  // Edges of fields are no words: three to one is asked of them.
  expect(contrast(common!.borderColor!, common!.inputColor!)).toBeGreaterThan(3);
});

test("the system's theme is followed until somebody chooses one", async () => {
  const { useTheme } = await fresh();
  const theme = useTheme();
  expect(theme.dark.value).toBe(false);
  expect(theme.theme.value).toBeNull();
  tell!({ matches: true });
  expect(theme.dark.value).toBe(true);
  theme.toggle();
  expect(theme.dark.value).toBe(false);
  tell!({ matches: false });
  tell!({ matches: true });
  expect(theme.dark.value, "a choice stays").toBe(false);
});

test("a choice is remembered", async () => {
  const first = await fresh();
  first.useTheme().toggle();
  expect(kept.get("orthopsis.theme")).toBe("dark");
  const again = await fresh();
  expect(again.useTheme().dark.value).toBe(true);
});
