/** Which page of which printed chart. */
export type ChartPage = {
  range: number
  owned: boolean
  sheet: 'letter' | 'a4'
  page: number
}
