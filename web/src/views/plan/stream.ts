import { Refused, UNREACHED, type Problem, type Schemas } from '../../lib/api/client';

type DayRequest = Schemas['DayRequest'];
export type DayAnswer = Schemas['DayAnswer'];

/** The events of a text that arrives in pieces: its name and its data, one after the other. */
export async function* events(pieces: AsyncIterable<string>): AsyncGenerator<{ event: string; data: string }> {
  let rest = '';
  for await (const piece of pieces) {
    rest += piece.replaceAll('\r\n', '\n');
    let end = rest.indexOf('\n\n');
    while (end >= 0) {
      const lines = rest.slice(0, end).split('\n');
      rest = rest.slice(end + 2);
      const of = (name: string) =>
        lines.filter((l) => l.startsWith(`${name}:`)).map((l) => l.slice(name.length + 1).trim());
      const data = of('data').join('\n');
      if (data) yield { event: of('event')[0] ?? 'message', data };
      end = rest.indexOf('\n\n');
    }
  }
}

async function* texts(body: ReadableStream<Uint8Array>): AsyncGenerator<string> {
  const reader = body.getReader();
  const decoder = new TextDecoder();
  try {
    for (;;) {
      const { done, value } = await reader.read();
      if (done) return;
      yield decoder.decode(value, { stream: true });
    }
  } finally {
    // What was left has nothing more to say.
    reader.cancel().catch(() => {});
  }
}

/** Plans of a day, each better than the one before, as they are found; leaving the loop stops the search. */
export async function* improving(body: DayRequest, signal: AbortSignal): AsyncGenerator<DayAnswer> {
  let answer: Response;
  try {
    answer = await fetch('/api/days/plan/stream', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
      signal,
    });
  } catch (error) {
    if (signal.aborted) return;
    throw error instanceof Refused ? error : new Refused(UNREACHED, false);
  }
  if (!answer.ok || !answer.body) throw new Refused((await answer.json()) as Problem, answer.status < 500);
  try {
    for await (const told of events(texts(answer.body))) {
      if (told.event === 'plan') yield JSON.parse(told.data) as DayAnswer;
      if (told.event === 'done') return;
    }
  } catch (error) {
    if (!signal.aborted) throw error;
  }
}
