import createClient from 'openapi-fetch';
import type { components, paths } from './schema';

export type Schemas = components['schemas'];
export type BakeState = Schemas['BakeState'];
export type StepDetail = Schemas['StepDetail'];
export type StepLine = Schemas['StepLine'];
export type StepForecast = Schemas['StepForecast'];
export type ForecastView = Schemas['ForecastView'];
export type PlanView = Schemas['PlanView'];
export type SectionData = Schemas['Section'];
export type BandData = Schemas['Band'];
export type BraidData = Schemas['Braid'];
export type Estimate = Schemas['Estimate'];
export type Kitchen = Schemas['Kitchen'];
export type BakeEntry = Schemas['BakeEntry'];
export type Problem = Schemas['Problem'];

export const api = createClient<paths>({ baseUrl: '/' });

/** A refusal of the server, or its silence, in words for the baker. */
export class Refused extends Error {
  constructor(
    readonly problem: Problem,
    readonly reached: boolean,
  ) {
    super(problem.detail);
  }
}

export const UNREACHED: Problem = {
  type: 'about:blank',
  title: 'The server does not answer',
  status: 0,
  detail: 'The server does not answer.',
  remedy: 'What you entered is kept on this device and will be sent. Check that the server runs.',
  errors: [],
  field: null,
};

type Answer<T> = { data?: T; error?: unknown; response: Response };

/** The data of an answer; throws {@link Refused} with the problem otherwise. */
export async function ask<T>(call: Promise<Answer<T>>): Promise<T> {
  let answer: Answer<T>;
  try {
    answer = await call;
  } catch {
    throw new Refused(UNREACHED, false);
  }
  if (answer.response.status === 401) window.dispatchEvent(new Event('passcodeneeded'));
  if (answer.error !== undefined || answer.data === undefined) {
    // A server that fails has not refused: what was entered may be right and is tried again.
    const refused = answer.response.status < 500;
    const problem = answer.error as Problem | undefined;
    if (problem && typeof problem.detail === 'string') throw new Refused(problem, refused);
    throw new Refused({ ...UNREACHED, detail: `The server failed (${answer.response.status}).` }, refused);
  }
  return answer.data;
}

/** The problem in whatever was thrown. */
export function problemOf(error: unknown): Problem {
  return error instanceof Refused ? error.problem : { ...UNREACHED, detail: String(error) };
}

/** A key that makes a repeated post harmless. */
export function newKey(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(12));
  return Array.from(bytes, (b) => b.toString(16).padStart(2, '0')).join('');
}
