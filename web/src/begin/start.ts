import '../theme/fonts.css'
import { VueQueryPlugin } from '@tanstack/vue-query'
import { createApp } from 'vue'
import { createRouter, createWebHistory } from 'vue-router'
import App from '../App.vue'
import '../theme/tokens.css'
import '../theme/base.css'
import { followRooms, keepFocus } from '../shell/focus'
import { inTurn } from '../shell/turns'
import { registerWorker } from '../shell/worker'

const router = createRouter({
  history: createWebHistory(),
  scrollBehavior: (_, from) => (from.matched.length ? { top: 0 } : undefined),
  routes: [
    { path: '/', redirect: '/plan' },
    { path: '/bench', name: 'bench', component: () => import('../rooms/bench/BenchRoom.vue') },
    { path: '/bench/:id', name: 'bench-dough', component: () => import('../rooms/bench/BenchRoom.vue') },
    { path: '/bakes', redirect: '/log' },
    { path: '/bakes/:id', redirect: (to) => ({ path: `/log/${String(to.params.id)}`, query: to.query }) },
    { path: '/log', name: 'log', component: () => import('../rooms/log/LogRoom.vue') },
    { path: '/log/time', name: 'log-time', component: () => import('../rooms/log/OverTime.vue') },
    { path: '/log/learnt', name: 'log-learnt', component: () => import('../rooms/log/LearntPage.vue') },
    { path: '/log/practice', name: 'log-practice', component: () => import('../rooms/log/DrillPage.vue') },
    { path: '/log/trials', name: 'log-trials', component: () => import('../rooms/log/TrialsList.vue') },
    { path: '/log/trials/:id', name: 'log-trial', component: () => import('../rooms/log/TrialPage.vue') },
    { path: '/log/compare', name: 'log-compare', component: () => import('../rooms/log/SideBySide.vue') },
    {
      path: '/log/formula/:id',
      name: 'log-history',
      component: () => import('../rooms/log/FormulaHistory.vue'),
    },
    { path: '/log/:id', name: 'log-bake', component: () => import('../rooms/log/BakeRecord.vue') },
    { path: '/plan', name: 'plan', component: () => import('../rooms/plan/PlanRoom.vue') },
    { path: '/plan/:id', name: 'saved', component: () => import('../rooms/plan/PlanRoom.vue') },
    { path: '/formulas', name: 'formulas', component: () => import('../rooms/formulas/FormulasRoom.vue') },
    { path: '/cultures', name: 'cultures', component: () => import('../rooms/cultures/CulturesRoom.vue') },
    { path: '/cultures/:id', name: 'culture', component: () => import('../rooms/cultures/CulturesRoom.vue') },
    { path: '/oven', name: 'oven', component: () => import('../rooms/oven/OvenRoom.vue') },
    { path: '/water', name: 'water', component: () => import('../rooms/water/WaterRoom.vue') },
    { path: '/kitchen', name: 'kitchen', component: () => import('../rooms/kitchen/KitchenRoom.vue') },
    { path: '/trust', name: 'trust', component: () => import('../rooms/door/TrustPage.vue') },
    { path: '/:anything(.*)', redirect: '/plan' },
  ],
})

followRooms(router)
keepFocus()
const app = createApp(App)
  .use(router)
  .use(VueQueryPlugin, {
    queryClientConfig: {
      defaultOptions: { queries: { retry: 1, staleTime: 15_000, refetchOnWindowFocus: true } },
    },
  })
inTurn(() => app.mount('#app'))

if (import.meta.env.PROD) void registerWorker()
