import { darkTheme, type GlobalTheme, type GlobalThemeOverrides } from "naive-ui";
import { computed, readonly, ref, watchEffect } from "vue";

const FONT = '"Atkinson Hyperlegible Next", sans-serif';

interface Tones {
  action: string;
  actionHover: string;
  ink: string;
  quiet: string;
  card: string;
  field: string;
  line: string;
}

const LIGHT: Tones = {
  action: "#2E4C7E",
  actionHover: "#3B5F9B",
  ink: "#23272E",
  quiet: "#50545B",
  card: "#F4F2EC",
  field: "#FFFDF7",
  line: "#8A8778",
};

const DARK: Tones = {
  action: "#A9C1EA",
  actionHover: "#C2D4F2",
  ink: "#ECEAE4",
  quiet: "#C2C3C2",
  card: "#34373B",
  field: "#2A2C2F",
  line: "#8A8E94",
};

/** The one place where Naive UI's looks are set. */
export function themeOverrides(tones: Tones): GlobalThemeOverrides {
  const { action, actionHover, ink, quiet, card, field, line } = tones;
  return {
    common: {
      fontFamily: FONT,
      fontSize: "15px",
      fontSizeMedium: "15px",
      fontSizeSmall: "14px",
      borderRadius: "6px",
      primaryColor: action,
      primaryColorHover: actionHover,
      primaryColorPressed: action,
      primaryColorSuppl: action,
      infoColor: action,
      successColor: "#2B6E4F",
      warningColor: "#7A5C00",
      errorColor: "#B3261E",
      textColorBase: ink,
      textColor1: ink,
      textColor2: ink,
      textColor3: quiet,
      placeholderColor: quiet,
      bodyColor: card,
      cardColor: card,
      modalColor: card,
      popoverColor: card,
      inputColor: field,
      borderColor: line,
      dividerColor: line,
    },
    Input: {
      border: `1px solid ${line}`,
      borderHover: `1px solid ${action}`,
      borderFocus: `1px solid ${action}`,
      color: field,
      colorFocus: field,
    },
    Button: {
      textColorPrimary: field,
      textColorHoverPrimary: field,
      textColorFocusPrimary: field,
      textColorPressedPrimary: field,
      fontWeight: "600",
    },
  };
}

const STORED = "orthopsis.theme";
const chosen = ref<"light" | "dark" | null>(
  (localStorage.getItem(STORED) as "light" | "dark" | null) ?? null,
);
const system = ref(matchMedia("(prefers-color-scheme: dark)").matches);
matchMedia("(prefers-color-scheme: dark)").addEventListener("change", (event) => {
  system.value = event.matches;
});
const dark = computed(() => (chosen.value ? chosen.value === "dark" : system.value));
watchEffect(() => {
  document.documentElement.dataset.theme = dark.value ? "dark" : "light";
});

/** The theme in force, and a switch for it; the choice is remembered on this machine. */
export function useTheme() {
  const theme = computed<GlobalTheme | null>(() => (dark.value ? darkTheme : null));
  const overrides = computed(() => themeOverrides(dark.value ? DARK : LIGHT));
  function toggle() {
    chosen.value = dark.value ? "light" : "dark";
    localStorage.setItem(STORED, chosen.value);
  }
  return { dark: readonly(dark), theme, overrides, toggle };
}
