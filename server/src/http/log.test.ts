import { pino } from 'pino';
import { TestServer } from '../testing';
import { errorForLog } from './log';

test('what is logged of a request is structured and holds no cookie, no body, no search, no name', async () => {
  const lines: string[] = [];
  const log = pino(
    { level: 'trace', serializers: { err: errorForLog } },
    { write: (l: string) => lines.push(l) },
  );
  const testServer = await TestServer.start({ log });
  try {
    const tech = await testServer.signedIn('tech');
    // A table that is gone makes a real failure with a query and values in it.
    await testServer.asOwner((db) => db.query('ALTER TABLE containers RENAME TO elsewhere'));
    const res = await tech
      .get('/shelf/recall?batch=Marrick')
      .set('x-note', 'secret-note')
      .expect(500);
    expect(res.body.detail).toBe('The server could not do this. Nothing was saved; try again.');
    const [line] = lines.filter((l) => l.includes('request failed'));
    const said = JSON.parse(line!) as { req: object; err: { at: string[]; code: string } };
    expect(said.req).toEqual({
      id: expect.any(String),
      method: 'GET',
      path: '/api/v1/shelf/recall',
    });
    expect(said.err.code).toBe('42P01');
    expect(said.err.at.length).toBeGreaterThan(0);
    for (const l of lines)
      expect(l).not.toMatch(/brook\.sid|tech-password|Marrick|secret-note|SELECT|Tech One/);
  } finally {
    await testServer.stop();
  }
});

test('an error that quotes what somebody wrote is logged without it', () => {
  expect(JSON.stringify(errorForLog(new Error('no such name: Una Marrick')))).not.toContain('Una');
});
