import { createRouter, createWebHistory } from "vue-router";

/** The four places, in the order of the teacher's day. */
export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: "/", redirect: "/prepare" },
    { path: "/prepare", component: () => import("./places/prepare/ShelfView.vue") },
    {
      path: "/prepare/:id(\\d+)",
      component: () => import("./places/prepare/BenchView.vue"),
      props: (route) => ({ id: Number(route.params.id) }),
    },
    { path: "/teach", component: () => import("./places/teach/ChooseView.vue") },
    {
      path: "/teach/:id(\\d+)",
      component: () => import("./places/teach/TeachView.vue"),
      props: (route) => ({ id: Number(route.params.id) }),
      meta: { fullScreen: true },
    },
    { path: "/mark", component: () => import("./places/mark/MarkView.vue") },
    { path: "/register", component: () => import("./places/register/RegisterView.vue") },
    { path: "/:rest(.*)*", component: () => import("./ui/LostView.vue") },
  ],
});
