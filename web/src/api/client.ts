import createClient, { type Middleware } from 'openapi-fetch'
import { patient } from './again'
import type { components, paths } from './schema'

type Schemas = components['schemas']
export type Adding = Schemas['Adding']
export type Area = Schemas['Area']
export type Door = Schemas['Door']
export type Asked = Schemas['PlacesQueryRequest']
export type Brought = Schemas['Brought']
export type Build = Schemas['Build']
export type Camera = Schemas['Camera']
export type Card = Schemas['CardWithStage']
export type CardSummary = Schemas['CardSummary']
export type Cell = Schemas['Cell']
export type Change = Schemas['ChangeRequestRequest']['change']
export type Check = Schemas['Check']
export type Colouring = Schemas['Colouring']
export type ColouredPicture = Schemas['ColouredPicture']
export type Cutting = Schemas['Cutting']
export type CardSet = Schemas['Set']
export type PhotoLight = Schemas['PhotoLight']
export type Sureness = Schemas['Sureness']
export type WantedReading = Schemas['WantedReading']
export type SetCutting = Schemas['SetCutting']
export type SetMember = Schemas['SetMember']
export type Column = Schemas['ColumnKey']
export type Landing = Schemas['Landing']
export type Colourway = Schemas['Colourway']
export type ColourwaysLine = Schemas['ColourwaysLine']
export type Comparison = Schemas['Comparison']
export type Converted = Schemas['Converted']
export type Desk = Schemas['Desk']
export type DrawingToMake = Schemas['DrawingToMake']
export type Drawing = Schemas['Drawing']
export type Drawer = Schemas['Drawer']
export type DrawerEntry = Schemas['DrawerEntry']
export type Following = Schemas['Following']
export type Found = Schemas['Found']
export type Fullness = Schemas['Fullness']
/** All that can be said of what lies in the drawer. */
export type DrawerSaid = Omit<
  Schemas['DrawerRequestRequest'],
  'colours' | 'owned' | 'range' | 'family'
>
export type Going = Schemas['Going']
export type Hand = Schemas['Hand']
export type KeptFamily = Schemas['KeptFamily']
export type LandedColour = Schemas['LandedColour']
export type Like = Schemas['Like']
export type ListReport = Schemas['ListReport']
export type LightFrom = Schemas['LightFrom']
export type Match = Schemas['Match']
export type Offers = Schemas['Offers']
export type Ground = Schemas['Ground']
export type GroundPanel = Schemas['Panel']
export type Holdable = Schemas['Holdable']
export type Join = Schemas['Join']
export type Limits = Schemas['Limits']
export type Keeping = Schemas['Keeping']
export type PastAnswer = Schemas['PastAnswer']
export type PadUse = Schemas['PadUse']
export type TogetherMake = Schemas['TogetherMake']
export type WhichAnswer = Schemas['WhichAnswer']
export type WayOut = Schemas['WayOut']
export type Mood = Schemas['Mood']
export type Mend = Schemas['Mend']
export type MendableEnd = Schemas['EndRequest']
export type Pair = Schemas['Pair']
export type PairKind = Schemas['PairKind']
export type PaletteColour = Schemas['PaletteColour']
export type Paper = Schemas['Paper']
export type PaperReading = Schemas['PaperReading']
export type Strip = Schemas['Strip']
export type Person = Schemas['Person']
export type Plan = Schemas['Plan']
export type Piece = Schemas['Piece']
export type PieceInstead = Schemas['PieceInstead']
export type Picture = Schemas['Picture']
export type Preview = Schemas['Preview']
export type Problem = Schemas['Problem']
export type Range = Schemas['Range']
export type Reason = Schemas['Reason']
export type Room = Schemas['Room']
export type Role = Schemas['Role']
export type ScanReading = Schemas['ScanReading']
export type Shades = Schemas['Shades']
export type SwatchesRead = Schemas['SwatchesRead']
export type Swatch = Schemas['Swatch']
export type Answered = Schemas['Answered']
export type Exercise = Schemas['Exercise']
export type ExerciseKey = Schemas['ExerciseKey']
export type ExerciseWeeks = Schemas['ExerciseWeeks']
export type Question = Schemas['Question']
export type Meeting = Schemas['Meeting']
export type MeetsAsked = Schemas['MeetsAsked']
export type Scored = Schemas['Scored']
export type SheetScored = Schemas['SheetScored']
export type Threshold = Schemas['Threshold']
export type Training = Schemas['Training']
export type Target = Schemas['Target']
export type Press = Schemas['PressEnum']
export type PlanWishes = Omit<Schemas['PatchedWishesRequest'], 'version'>
export type Made = Schemas['Record']
export type MadeSummary = Schemas['RecordSummary']
export type UsedInstead = Schemas['UsedInstead']
export type Used = Schemas['Used']
export type Wanted = Schemas['Wanted']
export type WholeRange = Schemas['WholeRange']

/** What went wrong, as the server says it. */
export class ApiError extends Error {
  constructor(
    readonly status: number,
    readonly code: string,
    message: string,
    readonly problems: Problem[] = [],
  ) {
    super(message)
  }
}

/** Told to the window where nothing answered. */
export const UNREACHED = 'jindle-unreached'

const middleware: Middleware = {
  onRequest({ request }) {
    const token = document.cookie.match(/csrftoken=([^;]+)/)?.[1]
    if (token && request.method !== 'GET') request.headers.set('X-CSRFToken', token)
    return request
  },
  async onResponse({ response }) {
    if (response.ok) return
    const told = await response.json().catch(() => null)
    const words = told?.message ?? `The server answered with ${response.status} and no reason.`
    // Whoever runs the server finds what broke by its number.
    const number = response.status >= 500 && response.headers.get('X-Request-Id')
    throw new ApiError(
      response.status,
      told?.code ?? 'unknown',
      number ? `${words} (Number ${number})` : words,
      told?.problems,
    )
  },
  onError() {
    window.dispatchEvent(new Event(UNREACHED))
    return new ApiError(
      0,
      'offline',
      'The server cannot be reached. Nothing was lost; try again in a moment.',
    )
  },
}

const client = createClient<paths>({ baseUrl: '', fetch: patient })
client.use(middleware)
export const api = client

/** The data of an answer; what is no success has been thrown by then. */
export async function got<T>(answer: Promise<{ data?: T }>): Promise<T> {
  return (await answer).data as T
}

type Sent<T> = T extends string ? T | Blob | '' | null | undefined : T | '' | null | undefined
/** What an address that takes a file is sent, by its fields: files for those that the schema calls binary. */
type Fields<P extends keyof paths> = paths[P] extends {
  post: { requestBody?: { content: { 'multipart/form-data': infer Body } } }
}
  ? Body
  : never

/** A form for an address that takes a file; empty values are left out. */
export function form<P extends keyof paths>(
  _: P,
  values: { [K in keyof Fields<P>]?: Sent<Fields<P>[K]> },
): Fields<P> & FormData {
  const made = new FormData()
  for (const [name, value] of Object.entries(values)) {
    if (value instanceof Blob) made.append(name, value)
    else if (typeof value === 'object' && value) made.append(name, JSON.stringify(value))
    else if (value !== '' && value != null) made.append(name, String(value))
  }
  return made as Fields<P> & FormData
}
