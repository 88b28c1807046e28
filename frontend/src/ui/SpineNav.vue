<script setup lang="ts">
import { useTheme } from "./theme";
import { PLACES } from "./words";

const { dark, toggle } = useTheme();
</script>

<template>
  <nav class="spine" aria-label="Places">
    <router-link v-for="place in PLACES" :key="place.path" :to="place.path">
      <span>{{ place.name }}</span>
    </router-link>
    <button type="button" class="lamp" :aria-pressed="dark" @click="toggle">
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
  padding: 10px 8px 10px 12px;
  border-left: 4px solid transparent;
  color: var(--ink);
  text-decoration: none;
}
a:hover span {
  text-decoration: underline;
}
a.router-link-active {
  border-left-color: var(--action);
  font-weight: 700;
}
.lamp {
  margin: auto 8px 0;
  padding: 8px 4px;
  border: 0;
  background: none;
  color: var(--quiet);
  font: inherit;
  font-size: 13px;
  cursor: pointer;
}
</style>
