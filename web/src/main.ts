import '@fontsource-variable/atkinson-hyperlegible-next'
import '@fontsource-variable/bricolage-grotesque'
import { VueQueryPlugin } from '@tanstack/vue-query'
import { createApp } from 'vue'
import { createRouter, createWebHistory } from 'vue-router'
import App from './App.vue'
import PlanRoom from './rooms/plan/PlanRoom.vue'
import './theme/tokens.css'
import './theme/base.css'
import { followRooms, keepFocus } from './shell/focus'
import './shell/theme'
import { registerWorker } from './shell/worker'

const router = createRouter({
  history: createWebHistory(),
  scrollBehavior: () => ({ top: 0 }),
  routes: [
    { path: '/', redirect: '/plan' },
    { path: '/bench', name: 'bench', component: () => import('./rooms/bench/BenchRoom.vue') },
    { path: '/bench/:id', name: 'bench-dough', component: () => import('./rooms/bench/BenchRoom.vue') },
    { path: '/bakes', name: 'bakes', component: () => import('./rooms/bakes/BakesRoom.vue') },
    { path: '/bakes/:id', name: 'bake', component: () => import('./rooms/bakes/BakeRecord.vue') },
    { path: '/plan', name: 'plan', component: PlanRoom },
    { path: '/plan/:id', name: 'saved', component: PlanRoom },
    { path: '/formulas', name: 'formulas', component: () => import('./rooms/formulas/FormulasRoom.vue') },
    { path: '/cultures', name: 'cultures', component: () => import('./rooms/cultures/CulturesRoom.vue') },
    { path: '/cultures/:id', name: 'culture', component: () => import('./rooms/cultures/CulturesRoom.vue') },
    { path: '/oven', name: 'oven', component: () => import('./rooms/oven/OvenRoom.vue') },
    { path: '/water', name: 'water', component: () => import('./rooms/water/WaterRoom.vue') },
    { path: '/kitchen', name: 'kitchen', component: () => import('./rooms/kitchen/KitchenRoom.vue') },
    { path: '/trust', name: 'trust', component: () => import('./rooms/door/TrustPage.vue') },
    { path: '/:anything(.*)', redirect: '/plan' },
  ],
})

followRooms(router)
keepFocus()
createApp(App)
  .use(router)
  .use(VueQueryPlugin, {
    queryClientConfig: {
      defaultOptions: { queries: { retry: 1, staleTime: 15_000, refetchOnWindowFocus: true } },
    },
  })
  .mount('#app')

if (import.meta.env.PROD) void registerWorker()
