import { createRouter, createWebHistory } from 'vue-router'
import { STAGES } from '@/card/stages'
import { useSession } from '@/lib/session'

export const router = createRouter({
  history: createWebHistory('/'),
  routes: [
    { path: '/', redirect: '/cards' },
    {
      path: '/new-password',
      component: () => import('@/account/NewPassword.vue'),
      meta: { open: true, title: 'A new password' },
    },
    { path: '/sign-in', component: () => import('@/account/SignIn.vue'), meta: { open: true } },
    { path: '/cards', component: () => import('@/cards/CardsPage.vue'), meta: { title: 'Cards' } },
    {
      path: '/cards/:id(\\d+)',
      component: () => import('@/card/CardFrame.vue'),
      children: [
        { path: '', redirect: (to) => `${to.path}/palette` },
        ...STAGES.map(({ key, page }) => ({ path: key, component: page })),
        { path: 'uses', component: () => import('@/card/uses/UsesPage.vue') },
      ],
    },
    {
      path: '/cards/:id(\\d+)/desk',
      component: () => import('@/desk/DeskPage.vue'),
      meta: { alone: true },
    },
    {
      path: '/cards/:id(\\d+)/colourways',
      component: () => import('@/colourways/ColourwaysPage.vue'),
    },
    {
      path: '/cards/sets',
      component: () => import('@/sets/SetsPage.vue'),
      meta: { title: 'Sets' },
    },
    {
      path: '/cards/sets/:id(\\d+)',
      component: () => import('@/sets/SetFrame.vue'),
      children: [
        { path: '', component: () => import('@/sets/SetTogether.vue') },
        { path: 'cutting', component: () => import('@/sets/SetCutting.vue') },
        { path: 'work', component: () => import('@/sets/SetWork.vue') },
        { path: 'record', component: () => import('@/sets/SetRecord.vue') },
      ],
    },
    {
      path: '/cards/ways',
      component: () => import('@/ways/WaysFrame.vue'),
      meta: { title: 'Ways into a palette' },
      redirect: '/cards/ways/rule',
      children: [
        { path: 'rule', component: () => import('@/ways/RuleWay.vue') },
        { path: 'seasons', component: () => import('@/ways/MoodWay.vue') },
        { path: 'drawer', component: () => import('@/ways/DrawerWay.vue') },
        { path: 'kept', component: () => import('@/ways/KeptWay.vue') },
      ],
    },
    {
      path: '/match/:id(\\d+)?',
      component: () => import('@/match/MatchPage.vue'),
      meta: { title: 'Match' },
    },
    {
      path: '/match/family',
      component: () => import('@/match/FamilyPage.vue'),
      meta: { title: 'A family into another range' },
    },
    {
      path: '/papers',
      component: () => import('@/papers/ShelfPage.vue'),
      meta: { title: 'Papers' },
    },
    {
      path: '/papers/add',
      component: () => import('@/papers/AddPaper.vue'),
      meta: { title: 'Add a paper' },
    },
    {
      path: '/papers/strip',
      component: () => import('@/papers/StripPage.vue'),
      meta: { title: 'Strip of known swatches' },
    },
    { path: '/papers/:id(\\d+)', component: () => import('@/papers/PaperPage.vue') },
    {
      path: '/recipes',
      component: () => import('@/recipes/BringPage.vue'),
      meta: { title: 'Bring in a recipe' },
    },
    {
      path: '/shared/:token',
      component: () => import('@/recipes/SharedPage.vue'),
      meta: { open: true },
    },
    { path: '/log', component: () => import('@/log/LogPage.vue'), meta: { title: 'Log' } },
    {
      path: '/log/supplies',
      component: () => import('@/log/SuppliesUsed.vue'),
      meta: { title: 'How supplies are used' },
    },
    {
      path: '/log/which',
      component: () => import('@/log/WhichPage.vue'),
      meta: { title: 'Which was it?' },
    },
    { path: '/log/:id(\\d+)', component: () => import('@/log/RecordPage.vue') },
    {
      path: '/training',
      component: () => import('@/training/TrainingFrame.vue'),
      meta: { title: 'Training' },
      children: [
        { path: '', component: () => import('@/training/ExercisesView.vue') },
        { path: 'progress', component: () => import('@/training/ProgressView.vue') },
        { path: 'paper', component: () => import('@/training/PaperView.vue') },
        { path: 'answered', component: () => import('@/training/AnswersView.vue') },
      ],
    },
    {
      path: '/training/practise',
      component: () => import('@/training/PractisePage.vue'),
      meta: { title: 'Practise' },
    },
    {
      path: '/account',
      component: () => import('@/account/AccountPage.vue'),
      meta: { title: 'Account' },
    },
    {
      path: '/account/screen',
      component: () => import('@/account/ScreenPage.vue'),
      meta: { title: 'Check this screen' },
    },
    {
      path: '/supplies/mine',
      component: () => import('@/supplies/MinePage.vue'),
      meta: { title: 'What I own' },
    },
    {
      path: '/supplies/drawer',
      component: () => import('@/supplies/DrawerPage.vue'),
      meta: { title: 'My drawer' },
    },
    {
      path: '/supplies/shopping',
      component: () => import('@/supplies/ShoppingPage.vue'),
      meta: { title: 'Shopping list' },
    },
    {
      path: '/supplies/sure',
      component: () => import('@/supplies/SurePage.vue'),
      meta: { title: 'How sure it is' },
    },
    {
      path: '/supplies',
      component: () => import('@/supplies/SuppliesPage.vue'),
      meta: { title: 'Supplies' },
    },
    {
      path: '/supplies/import',
      component: () => import('@/supplies/ImportPage.vue'),
      meta: { title: 'Bring in a range' },
    },
    {
      path: '/supplies/photograph',
      component: () => import('@/supplies/PhotoPage.vue'),
      meta: { title: 'Swatches from a photo' },
    },
    { path: '/supplies/:id(\\d+)', component: () => import('@/supplies/RangePage.vue') },
    {
      path: '/words',
      component: () => import('@/words/WordsPage.vue'),
      meta: { title: 'Words' },
    },
    {
      path: '/:rest(.*)*',
      component: () => import('@/ui/NothingHere.vue'),
      meta: { title: 'Nothing here' },
    },
  ],
})

router.beforeEach(async (to) => {
  const session = useSession()
  await session.ready()
  if (!session.person && !to.meta.open) return { path: '/sign-in', query: { to: to.fullPath } }
})

router.afterEach((to) => {
  if (to.meta.title) document.title = `${to.meta.title} · Jindle`
})
