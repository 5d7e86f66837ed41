import createClient from 'openapi-fetch'
import { ref } from 'vue'
import type { components, paths } from './generated'

export type Schemas = components['schemas']
export type Plan = Schemas['Plan']
export type PlanAnswer = Schemas['PlanAnswer']
export type SavedPlan = Schemas['SavedPlanAnswer']
export type Asked = Schemas['AskedBody']
export type Ribbon = Schemas['Ribbon']
export type Step = Schemas['Step']
export type Mend = Schemas['MendAnswer']
export type FormulaAnswer = Schemas['FormulaAnswer']
export type Settings = Schemas['Settings']
export type PlanLine = Schemas['PlanLine']

/** Whether this device was told to give the passcode. */
export const signedOut = ref(false)
let signIns = 0
/** How often the passcode was given here: what was asked before that and is answered late says nothing of now. */
export const signInsSoFar = () => signIns
export function signedIn() {
  signIns += 1
  signedOut.value = false
}
/** The kitchen does not know this device, by its answer to what was asked after so many sign-ins. */
export function unknownHere(asked: number) {
  if (asked === signIns) signedOut.value = true
}

export const api = createClient<paths>({ baseUrl: '/' })

/** One refused field, as the server says it. */
export interface Refusal {
  field: string
  sentence: string
  remedy: string
}

/** What somebody else saved first: what differs, and the state to save over knowingly. */
export interface Changed {
  etag: string
  fields: Schemas['FieldChange'][]
}

/** Name the state that a change was made from, so that nobody's later one is overwritten unseen. */
export const ifMatch = (etag: string | number | null | undefined) =>
  etag === undefined || etag === null || etag === 0 ? {} : { 'If-Match': `"${etag}"` }

/** What a call came to: data, or a sentence and the fields it is about. */
export class Refused extends Error {
  constructor(
    message: string,
    readonly errors: Refusal[],
    readonly changed: Changed | null = null,
    /** Of the answer; 0 if there was none. */
    readonly status = 0,
    /** Seconds after which it may be tried again. */
    readonly waitS = 0,
  ) {
    super(message)
  }
}

/** Unwrap an answer of the client, or throw what the server said. */
export async function ask<T>(call: Promise<{ data?: T; error?: unknown; response?: Response }>): Promise<T> {
  const asked = signIns
  const { data, error, response } = await call
  if (data !== undefined) return data
  const problem = error as ({ detail?: string; errors?: Refusal[] } & Partial<Changed>) | undefined
  const changed = problem?.fields && problem.etag ? { etag: problem.etag, fields: problem.fields } : null
  const status = response?.status ?? 0
  if (status === 401) unknownHere(asked)
  const wait = Number(response?.headers.get('Retry-After')) || 0
  throw new Refused(problem?.detail ?? '', problem?.errors ?? [], changed, status, wait)
}
