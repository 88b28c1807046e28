<script setup lang="ts">
import { usePageTitle } from "@/ui/usePageTitle";

usePageTitle("Not found");
</script>

<template>
  <section class="lost">
    <h1>Nothing lies here</h1>
    <p>The address leads to no page. <router-link to="/prepare">Go to the shelf</router-link></p>
  </section>
</template>

<style scoped>
.lost {
  display: grid;
  gap: 12px;
  padding: 32px;
}
</style>
