<script setup lang="ts">
import { useTheme } from "./theme";
import { useRoute } from "vue-router";
import { PLACES } from "./words";

const route = useRoute();
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
      <span>{{ place.name }}</span>
    </router-link>
    <router-link to="/settings" class="foot" :class="{ here: route.path === '/settings' }">
      <span>Settings</span>
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
a.here {
  border-left-color: var(--action);
  font-weight: 700;
}
.foot {
  margin-top: auto;
  font-size: 14px;
}
.lamp {
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
