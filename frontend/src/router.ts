import { createRouter, createWebHistory, type RouteLocationNormalized } from "vue-router";

const byId = (route: RouteLocationNormalized) => ({ id: Number(route.params.id) });

/** The four places, in the order of the teacher's day. */
export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: "/", redirect: "/prepare" },
    { path: "/prepare", component: () => import("./places/prepare/shelf/ShelfView.vue") },
    { path: "/prepare/new", component: () => import("./places/prepare/shelf/NewView.vue") },
    {
      path: "/prepare/:id(\\d+)",
      component: () => import("./places/prepare/bench/BenchView.vue"),
      props: byId,
    },
    { path: "/teach", component: () => import("./places/teach/ChooseView.vue") },
    {
      path: "/teach/:id(\\d+)",
      component: () => import("./places/teach/TeachView.vue"),
      props: byId,
      meta: { fullScreen: true },
    },
    { path: "/settings", component: () => import("./places/settings/SettingsView.vue") },
    {
      path: "/demands/:id(\\d+)",
      component: () => import("./places/prepare/plan/DemandsView.vue"),
      props: byId,
    },
    {
      path: "/plan/:id(\\d+)",
      component: () => import("./places/prepare/plan/PlanView.vue"),
      props: byId,
    },
    {
      path: "/show/:id(\\d+)",
      component: () => import("./places/teach/ShowView.vue"),
      props: byId,
      meta: { fullScreen: true },
    },
    {
      path: "/print/:id(\\d+)",
      component: () => import("./places/print/PrintView.vue"),
      props: byId,
    },
    { path: "/mark/any", component: () => import("./places/mark/AnyView.vue") },
    { path: "/mark", component: () => import("./places/mark/MarkView.vue") },
    { path: "/register", component: () => import("./places/register/RegisterView.vue") },
    { path: "/:rest(.*)*", component: () => import("./ui/LostView.vue") },
  ],
});
