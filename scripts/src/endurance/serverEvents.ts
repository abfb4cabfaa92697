/** One server-sent event. */
export interface ServerEvent {
  readonly event: string;
  readonly data: unknown;
}

/** What comes over an open line of server-sent events, as it comes (HTML Living Standard, 9.2). */
export async function* serverEvents(res: Response): AsyncGenerator<ServerEvent> {
  const chunks = res.body!.pipeThrough(new TextDecoderStream()) as unknown as AsyncIterable<string>;
  let text = '';
  for await (const chunk of chunks) {
    text += chunk;
    for (let end; (end = text.indexOf('\n\n')) >= 0; text = text.slice(end + 2)) {
      const lines = text.slice(0, end).split('\n');
      const of = (name: string) =>
        lines.find((l) => l.startsWith(`${name}: `))?.slice(name.length + 2);
      const event = of('event');
      if (event) yield { event, data: JSON.parse(of('data')!) };
    }
  }
}
