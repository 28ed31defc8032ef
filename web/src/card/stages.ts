/** The stages of a card in the order of work: what lies on what is asked before the first mark. */
export const STAGES = [
  { key: 'palette', words: 'Palette', page: () => import('@/stages/palette/PaletteStage.vue') },
  { key: 'contrast', words: 'Contrast', page: () => import('@/stages/contrast/ContrastStage.vue') },
  {
    key: 'colouring',
    words: 'Colouring',
    page: () => import('@/stages/colouring/ColouringStage.vue'),
  },
  {
    key: 'background',
    words: 'Background',
    page: () => import('@/stages/background/BackgroundStage.vue'),
  },
  { key: 'build', words: 'Build', page: () => import('@/stages/build/BuildStage.vue') },
  {
    key: 'plan',
    words: 'Plan',
    page: () => import('@/stages/plan/PlanStage.vue'),
    unjudged: true, // no check is ever of it
  },
  {
    key: 'record',
    words: 'Record',
    page: () => import('@/stages/record/RecordStage.vue'),
    unjudged: true,
  },
] as const
