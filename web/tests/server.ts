import { vi } from 'vitest';
import { api, type Problem } from '../src/lib/api/client';

type Verb = 'GET' | 'POST' | 'PUT' | 'DELETE';
export type Call = { verb: Verb; path: string; body?: never; query?: never };
/** What a path answers: data, or a problem to refuse with, or null where the network is away. */
type Answers = Record<string, (call: Call) => unknown>;

/** A problem as the server words one. */
export function problem(more: Partial<Problem> = {}): Problem {
  const rest = { type: 'about:blank', title: 'Not so', status: 422, detail: 'That can’t be.', field: null, errors: [] };
  return { ...rest, remedy: 'Enter another.', ...more };
}

/** A server that answers as told, by "VERB path"; what was asked of it, in order. What is not told never answers. */
export function serverWith(answers: Answers): Call[] {
  const asked: Call[] = [];
  for (const verb of ['GET', 'POST', 'PUT', 'DELETE'] as const) {
    const answered = (path: string, init: { body?: never; params?: { query?: never } } = {}) => {
      const call: Call = {
        verb,
        path,
        body: init.body && JSON.parse(JSON.stringify(init.body)),
        query: init.params?.query,
      };
      asked.push(call);
      const answer = answers[`${verb} ${path}`];
      if (!answer) return new Promise(() => {});
      const said = answer(call) as Problem | object | null;
      if (said === null) return Promise.reject(new TypeError('no network'));
      if ('remedy' in said)
        return Promise.resolve({ error: said, response: { status: said.status, ok: false } as Response });
      return Promise.resolve({ data: said, response: { status: 200, ok: true } as Response });
    };
    vi.spyOn(api, verb).mockImplementation(answered as never);
  }
  return asked;
}
