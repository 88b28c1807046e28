import "@fontsource/atkinson-hyperlegible-next/latin-400.css";
import "@fontsource/atkinson-hyperlegible-next/latin-600.css";
import "@fontsource/atkinson-hyperlegible-next/latin-700.css";
import "@fontsource/atkinson-hyperlegible-next/latin-ext-400.css";
import "./ui/base.css";
import { QueryClient, VueQueryPlugin } from "@tanstack/vue-query";
import { createApp } from "vue";
import App from "./App.vue";
import { router } from "./router";

const queryClient = new QueryClient({
  defaultOptions: {
    // Answers are replaced, never changed: to watch each of their thousand numbers slows all down.
    queries: { retry: 1, refetchOnWindowFocus: false, staleTime: 2000, shallow: true },
  },
});

createApp(App).use(router).use(VueQueryPlugin, { queryClient }).mount("#app");
