<script setup lang="ts">
import {
  LampDesk,
  NotebookTabs,
  PencilRuler,
  Presentation,
  SlidersHorizontal,
  SquareCheckBig,
} from "@lucide/vue";
import { useRoute } from "vue-router";
import { useTheme } from "./theme";
import { PLACES } from "./words";

const route = useRoute();
const ICONS = {
  "/prepare": PencilRuler,
  "/teach": Presentation,
  "/mark": SquareCheckBig,
  "/register": NotebookTabs,
} as const;
const SIZE = 22;
const { dark, toggle } = useTheme();
</script>

<template>
  <nav class="spine" aria-label="Places">
    <router-link
      v-for="place in PLACES"
      :key="place.path"
      :to="place.path"
      :class="{ here: route.path.startsWith(place.path) }"
    >
      <component :is="ICONS[place.path]" :size="SIZE" :stroke-width="1.6" aria-hidden="true" />
      <span>{{ place.name }}</span>
    </router-link>
    <router-link to="/settings" class="foot" :class="{ here: route.path === '/settings' }">
      <sliders-horizontal :size="18" :stroke-width="1.6" aria-hidden="true" />
      <span>Settings</span>
    </router-link>
    <button type="button" class="lamp" :aria-pressed="dark" @click="toggle">
      <lamp-desk :size="18" :stroke-width="1.6" aria-hidden="true" />
      {{ dark ? "Light desk" : "Dark desk" }}
    </button>
  </nav>
</template>

<style scoped>
.spine {
  display: flex;
  flex-direction: column;
  gap: 4px;
  width: 92px;
  flex: none;
  padding: 20px 0 12px;
  border-right: 1px solid var(--line);
}
a {
  display: grid;
  gap: 4px;
  justify-items: start;
  padding: 10px 8px 10px 12px;
  border-left: 4px solid transparent;
  color: var(--ink);
  text-decoration: none;
}
a:hover span {
  text-decoration: underline;
}
a.here {
  border-left-color: var(--action);
  font-weight: 700;
}
.foot {
  margin-top: auto;
  font-size: 14px;
}
.lamp {
  display: grid;
  gap: 4px;
  justify-items: start;
  padding-left: 8px;
  margin: 0 8px;
  padding: 8px 4px;
  border: 0;
  background: none;
  color: var(--quiet);
  font: inherit;
  font-size: 13px;
  cursor: pointer;
}
</style>
