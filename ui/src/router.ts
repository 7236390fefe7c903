import { createRouter, createWebHistory } from 'vue-router'
import BenchView from './benches/BenchView.vue'
import { renew, shown } from './shell/renew'

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', name: 'bench', component: BenchView, meta: { title: 'Bench' } },
    {
      path: '/machines/new',
      name: 'new-machine',
      component: () => import('./benches/NewMachineView.vue'),
      meta: { title: 'Add a machine' },
    },
    { path: '/machines/:id/label', redirect: (to) => ({ name: 'labels', query: { machine: String(to.params.id) } }) },
    {
      path: '/machines/:id',
      component: () => import('./benches/MachineView.vue'),
      meta: { title: 'Machine' },
      children: [
        { path: '', name: 'machine', component: () => import('./benches/MachineNow.vue') },
        { path: 'checks', component: () => import('./benches/MachineChecks.vue'), meta: { title: 'Its checks' } },
        { path: 'ink', component: () => import('./benches/MachineInk.vue'), meta: { title: 'Its ink' } },
        { path: 'upkeep', component: () => import('./benches/MachineUpkeep.vue'), meta: { title: 'Its upkeep' } },
        { path: 'papers', component: () => import('./benches/MachinePapers.vue'), meta: { title: 'Its papers' } },
        { path: 'past', component: () => import('./benches/MachinePast.vue'), meta: { title: 'Its past' } },
      ],
    },
    {
      path: '/changeover',
      name: 'changeover',
      component: () => import('./changeover/ChangeoverView.vue'),
      meta: { title: 'Changeover' },
    },
    { path: '/cards/:id', name: 'card', component: () => import('./cards/CardView.vue'), meta: { title: 'Card' } },
    {
      path: '/checks/:machine(\\d+)?',
      name: 'checks',
      component: () => import('./checks/ChecksView.vue'),
      meta: { title: 'Checks' },
    },
    {
      path: '/checks/:machine(\\d+)/pages',
      name: 'pages',
      component: () => import('./checks/PagesView.vue'),
      meta: { title: 'All its pages' },
    },
    { path: '/round', name: 'round', component: () => import('./round/RoundView.vue'), meta: { title: 'Round' } },
    { path: '/round/week', name: 'week', component: () => import('./round/WeekView.vue'), meta: { title: 'The week' } },
    { path: '/jobs', name: 'jobs', component: () => import('./jobs/JobsView.vue'), meta: { title: 'Jobs' } },
    {
      path: '/jobs/new',
      name: 'new-job',
      component: () => import('./jobs/NewJobView.vue'),
      meta: { title: 'A new job' },
    },
    {
      path: '/jobs/:id(\\d+)/change',
      name: 'change-job',
      component: () => import('./jobs/NewJobView.vue'),
      meta: { title: 'Change a job' },
    },
    {
      path: '/jobs/:id(\\d+)',
      component: () => import('./jobs/JobView.vue'),
      meta: { title: 'Job' },
      children: [
        { path: '', name: 'job', component: () => import('./jobs/JobOrder.vue') },
        { path: 'print', component: () => import('./jobs/JobPrint.vue'), meta: { title: 'Print a job' } },
        { path: 'press', component: () => import('./jobs/JobPress.vue'), meta: { title: 'Press a job' } },
        { path: 'came', component: () => import('./jobs/JobCame.vue'), meta: { title: 'What came of a job' } },
      ],
    },
    { path: '/clinic', name: 'clinic', component: () => import('./clinic/ClinicView.vue'), meta: { title: 'Clinic' } },
    {
      path: '/clinic/messages',
      name: 'messages',
      component: () => import('./messages/MessagesView.vue'),
      meta: { title: 'What machines say' },
    },
    {
      path: '/clinic/:id',
      component: () => import('./clinic/CaseView.vue'),
      meta: { title: 'Case' },
      children: [
        { path: '', name: 'case', component: () => import('./clinic/CaseNow.vue') },
        { path: 'checks', component: () => import('./clinic/CaseChecks.vue'), meta: { title: 'Checks of a case' } },
        { path: 'tried', component: () => import('./clinic/CaseTried.vue'), meta: { title: 'Tried so far' } },
      ],
    },
    {
      path: '/practice',
      name: 'practice',
      component: () => import('./practice/PracticeView.vue'),
      meta: { title: 'Practice' },
    },
    {
      path: '/practice/rehearsal/:machine(\\d+)?',
      name: 'rehearsal',
      component: () => import('./practice/RehearsalView.vue'),
      meta: { title: 'Rehearsal', alone: true },
    },
    {
      path: '/practice/questions/:drill',
      name: 'drill',
      component: () => import('./practice/DrillView.vue'),
      meta: { title: 'Questions' },
    },
    {
      path: '/practice/order/:sequence',
      name: 'order',
      component: () => import('./practice/OrderView.vue'),
      meta: { title: 'In which order?' },
    },
    {
      path: '/practice/:id(\\d+)',
      name: 'run',
      component: () => import('./practice/RunView.vue'),
      meta: { title: 'Practice' },
    },
    { path: '/shelf', name: 'shelf', component: () => import('./shelf/ShelfView.vue'), meta: { title: 'Shelf' } },
    {
      path: '/shelf/bottles/:id(\\d+)',
      name: 'bottle',
      component: () => import('./shelf/BottleView.vue'),
      props: (to) => ({ id: Number(to.params.id) }),
      meta: { title: 'A bottle' },
    },
    {
      path: '/shelf/buying',
      name: 'buying',
      component: () => import('./buying/BuyingView.vue'),
      meta: { title: 'To buy' },
    },
    {
      path: '/shelf/suppliers',
      name: 'suppliers',
      component: () => import('./buying/SuppliersView.vue'),
      meta: { title: 'Suppliers' },
    },
    {
      path: '/shelf/parts',
      name: 'parts',
      component: () => import('./shelf/PartsView.vue'),
      meta: { title: 'Parts and small things' },
    },
    { path: '/shelf/waste', name: 'waste', component: () => import('./shelf/WasteView.vue'), meta: { title: 'Waste' } },
    {
      path: '/shelf/labels',
      name: 'labels',
      component: () => import('./shelf/LabelsView.vue'),
      meta: { title: 'Labels' },
    },
    {
      path: '/shelf/tools',
      name: 'tools',
      component: () => import('./shelf/ToolsView.vue'),
      meta: { title: 'Tools and ages' },
    },
    {
      path: '/sums/ways',
      name: 'ways',
      component: () => import('./sums/WaysView.vue'),
      meta: { title: 'Which way pays' },
    },
    { path: '/sums', name: 'sums', component: () => import('./sums/SumsView.vue'), meta: { title: 'Sums' } },
    { path: '/log', name: 'log', component: () => import('./log/LogView.vue'), meta: { title: 'Log' } },
    {
      path: '/log/ink',
      name: 'ink',
      component: () => import('./books/InkView.vue'),
      meta: { title: 'Where ink went' },
    },
    {
      path: '/log/month',
      name: 'month',
      component: () => import('./books/MonthView.vue'),
      meta: { title: 'What a month cost' },
    },
    {
      path: '/log/fare',
      name: 'fare',
      component: () => import('./books/FareView.vue'),
      meta: { title: 'How machines fare' },
    },
    {
      path: '/log/burden',
      name: 'burden',
      component: () => import('./log/BurdenView.vue'),
      meta: { title: 'What it takes' },
    },
    {
      path: '/shop',
      component: () => import('./shop/ShopView.vue'),
      meta: { title: 'Shop' },
      children: [
        { path: '', name: 'shop', component: () => import('./shop/ShopHouse.vue') },
        { path: 'ways', component: () => import('./shop/ShopWays.vue'), meta: { title: 'Ways of the shop' } },
        { path: 'prices', component: () => import('./shop/ShopPrices.vue'), meta: { title: 'Prices' } },
        { path: 'people', component: () => import('./shop/ShopPeople.vue'), meta: { title: 'People and keys' } },
        { path: 'bring-in', component: () => import('./shop/BringIn.vue'), meta: { title: 'From files' } },
        { path: 'backups', component: () => import('./shop/ShopBackups.vue'), meta: { title: 'Backups' } },
      ],
    },
    {
      path: '/:rest(.*)',
      name: 'nowhere',
      component: () => import('./shell/NowhereView.vue'),
      meta: { title: 'Nothing here' },
    },
  ],
  scrollBehavior: (to) => (to.hash && document.getElementById(to.hash.slice(1)) ? { el: to.hash } : { top: 0 }),
})

router.onError((error, to) => renew(error, to.fullPath))

router.afterEach((to, _, failure) => {
  if (!failure) shown()
  document.title = `${String(to.meta.title ?? '')} · Fair Kettle`
})
