import { createRouter, createWebHistory } from 'vue-router'
import { watchBound } from './composables/goOn'
const BenchScreen = () => import('./screens/bench/BenchScreen.vue')
const SpotScreen = () => import('./screens/bench/SpotScreen.vue')
const SurveyScreen = () => import('./screens/bench/SurveyScreen.vue')
const WriteUpList = () => import('./screens/writeup/WriteUpList.vue')
const WriteUpScreen = () => import('./screens/writeup/WriteUpScreen.vue')
const CompareScreen = () => import('./screens/compare/CompareScreen.vue')
const ReplayScreen = () => import('./screens/compare/ReplayScreen.vue')
const HowScreen = () => import('./screens/how/HowScreen.vue')
const FilesScreen = () => import('./screens/files/FilesScreen.vue')
const RunList = () => import('./screens/sheet/RunList.vue')
const PairsScreen = () => import('./screens/shelf/PairsScreen.vue')
const BudgetScreen = () => import('./screens/shelf/BudgetScreen.vue')
const PlanScreen = () => import('./screens/plan/PlanScreen.vue')
const CampaignScreen = () => import('./screens/plan/CampaignScreen.vue')
const SheetScreen = () => import('./screens/sheet/SheetScreen.vue')
const ShelfScreen = () => import('./screens/shelf/ShelfScreen.vue')

const NAME = 'Inkpath Log'

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', redirect: '/shelf' },
    { path: '/shelf', component: ShelfScreen, meta: { title: 'Shelf' } },
    { path: '/shelf/pairs', component: PairsScreen, meta: { title: 'What they agree on' } },
    { path: '/shelf/budget', component: BudgetScreen, meta: { title: 'Energy budget' } },
    { path: '/plan', component: PlanScreen, meta: { title: 'Plan' } },
    { path: '/plan/:id', component: CampaignScreen, props: true, meta: { title: 'Campaign' } },
    { path: '/bench', component: BenchScreen, meta: { title: 'Bench' } },
    { path: '/bench/spot', component: SpotScreen, meta: { title: 'Spot check' } },
    { path: '/bench/survey', component: SurveyScreen, meta: { title: 'Survey' } },
    { path: '/sheet', component: RunList, meta: { title: 'Sheets' } },
    { path: '/sheet/:id', component: SheetScreen, props: true, meta: { title: 'Sheet' } },
    { path: '/side-by-side', component: CompareScreen, meta: { title: 'Side by side' } },
    { path: '/side-by-side/replay', component: ReplayScreen, meta: { title: 'Replay' } },
    { path: '/write-up', component: WriteUpList, meta: { title: 'Write-up' } },
    { path: '/write-up/:id', component: WriteUpScreen, props: true, meta: { title: 'Write-up' } },
    { path: '/files', component: FilesScreen, meta: { title: 'Files' } },
    { path: '/how', component: HowScreen, meta: { title: 'How it works out its numbers' } },
    { path: '/:rest(.*)', redirect: '/shelf' },
  ],
  scrollBehavior: () => ({ top: 0 }),
})

watchBound(router)
router.afterEach((to) => {
  document.title = `${String(to.meta.title ?? NAME)} – ${NAME}`
})
