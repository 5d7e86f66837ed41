import createClient from 'openapi-fetch'
import type { components, paths } from './generated'

export type Schemas = components['schemas']
export type Plan = Schemas['Plan']
export type PlanAnswer = Schemas['PlanAnswer']
export type SavedPlan = Schemas['SavedPlanAnswer']
export type Asked = Schemas['AskedBody']
export type Ribbon = Schemas['Ribbon']
export type Step = Schemas['Step']
export type Mend = Schemas['Mend']
export type FormulaAnswer = Schemas['FormulaAnswer']
export type Settings = Schemas['Settings']
export type PlanLine = Schemas['PlanLine']

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
  ) {
    super(message)
  }
}

/** Unwrap an answer of the client, or throw what the server said. */
export async function ask<T>(call: Promise<{ data?: T; error?: unknown }>): Promise<T> {
  const { data, error } = await call
  if (data !== undefined) return data
  const problem = error as ({ detail?: string; errors?: Refusal[] } & Partial<Changed>) | undefined
  const changed = problem?.fields && problem.etag ? { etag: problem.etag, fields: problem.fields } : null
  throw new Refused(problem?.detail ?? '', problem?.errors ?? [], changed)
}
