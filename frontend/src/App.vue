<script setup lang="ts">
import { NConfigProvider } from "naive-ui";
import { computed } from "vue";
import { useRoute } from "vue-router";
import ServerNotes from "./ui/ServerNotes.vue";
import SpineNav from "./ui/SpineNav.vue";
import { useTheme } from "./ui/theme";

const route = useRoute();
const { theme, overrides } = useTheme();
const fullScreen = computed(() => route.meta.fullScreen === true);
</script>

<template>
  <n-config-provider :theme="theme" :theme-overrides="overrides" inline-theme-disabled class="app">
    <a href="#place" class="skip">Go to the page</a>
    <spine-nav v-if="!fullScreen" />
    <div class="page">
      <server-notes v-if="!fullScreen" />
      <main id="place" tabindex="-1">
        <router-view :key="route.path" />
      </main>
    </div>
  </n-config-provider>
</template>

<style scoped>
.app {
  display: flex;
  height: 100%;
}
/* A note above makes the page shorter and pushes nothing out of sight. */
.page {
  display: flex;
  flex: 1;
  flex-direction: column;
  min-width: 0;
}
main {
  flex: 1;
  min-height: 0;
  overflow: auto;
  scrollbar-gutter: stable;
  outline: none;
}
.skip {
  position: absolute;
  left: -999px;
  top: 8px;
  padding: 8px 12px;
  background: var(--card);
  z-index: 10;
}
.skip:focus {
  left: 8px;
}
</style>
