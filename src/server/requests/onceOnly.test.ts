import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { OWN_HEADER, PATHS, pathTo, WRITE_HEADER, type BuildRecord, type Problem } from '../../api/index.ts';
import { testBench } from '../testBench.ts';

describe('a write that names itself', () => {
  const bench = testBench(Date.UTC(2026, 5, 1, 12));
  beforeAll(() => bench.listen(false));
  afterAll(() => bench.remove());

  const send = async <T>(key: string, method: string, path: string, body?: object, version?: number) => {
    const response = await fetch(bench.base + path, {
      method,
      headers: {
        'content-type': 'application/json',
        [OWN_HEADER]: '1',
        [WRITE_HEADER]: key,
        ...(version === undefined ? {} : { 'if-match': `"${version}"` }),
      },
      body: body && JSON.stringify(body),
    });
    const text = await response.text();
    return { status: response.status, body: (text ? JSON.parse(text) : undefined) as T };
  };
  const build = (name: string) => ({ name, subject: '', scale: 24 });
  const builds = async () => (await bench.snapshot()).builds.map(({ name }) => name);

  it('is done once and answered alike however often it is sent, one after the other or at once', async () => {
    const sent = [0, 1, 2].map(() => send<BuildRecord>('one-one-one', 'POST', PATHS.builds, build('One')));
    const answers = [
      ...(await Promise.all(sent)),
      await send('one-one-one', 'POST', PATHS.builds, build('One')),
    ];
    expect(answers.map(({ status }) => status)).toEqual([201, 201, 201, 201]);
    expect(new Set(answers.map(({ body }) => JSON.stringify(body))).size).toBe(1);
    expect(await builds()).toEqual(['One']);
  });

  it('changes and removes once, and is no conflict with itself', async () => {
    const { body: made } = await send<BuildRecord>('two-made', 'POST', PATHS.builds, build('Two'));
    const path = pathTo(PATHS.build, made.id);
    const put = () => send<BuildRecord>('two-changed', 'PUT', path, build('Two, changed'), made.version);
    const first = await put();
    expect(await put()).toEqual(first);
    const other = await send<Problem>('two-other', 'PUT', path, build('Two, late'), made.version);
    expect(other.status).toBe(409);
    const remove = () => send('two-gone', 'DELETE', path, undefined, first.body.version);
    expect(await remove()).toEqual({ status: 204, body: undefined });
    expect(await remove()).toEqual({ status: 204, body: undefined });
    expect(await builds()).toEqual(['One']);
  });

  it('is tried again after a refusal, which had changed nothing', async () => {
    expect((await send('three-three', 'POST', PATHS.builds, build(''))).status).toBe(400);
    expect((await send('three-three', 'POST', PATHS.builds, build('Three'))).status).toBe(201);
    expect(await builds()).toContain('Three');
  });

  it('is refused under a name that is none, or that another request had', async () => {
    expect(await send<Problem>('short', 'POST', PATHS.builds, build('Four'))).toMatchObject({
      status: 400,
      body: { detail: expect.stringMatching(/8 to 64/) as string },
    });
    await send('four-four', 'POST', PATHS.builds, build('Four'));
    const { body: four } = await send<BuildRecord>('four-four', 'POST', PATHS.builds, build('Four'));
    const taken = await send<Problem>(
      'four-four',
      'PUT',
      pathTo(PATHS.build, four.id),
      build('Five'),
      four.version,
    );
    expect(taken).toMatchObject({
      status: 422,
      body: { detail: expect.stringMatching(/another request/) as string },
    });
    expect(await builds()).not.toContain('Five');
  });

  it('says that it is saved where the server went down before it could answer', async () => {
    await send('five-five', 'POST', PATHS.builds, build('Six'));
    bench.data!.sqlite.exec(`UPDATE writes SET status = NULL, answer = NULL WHERE key = 'five-five'`);
    const again = await send<Problem>('five-five', 'POST', PATHS.builds, build('Six'));
    expect(again).toMatchObject({ status: 409, body: { type: '/problems/answer-lost' } });
    expect((await builds()).filter((name) => name === 'Six')).toHaveLength(1);
  });

  it('is answered although its answer cannot be kept, and not done again', async () => {
    const { sqlite } = bench.data!;
    sqlite.exec(`CREATE TRIGGER no_answers BEFORE UPDATE ON writes BEGIN SELECT RAISE(ABORT, 'no'); END`);
    const first = await send<BuildRecord>('eight-eight', 'POST', PATHS.builds, build('Eight'));
    sqlite.exec('DROP TRIGGER no_answers');
    expect(first).toMatchObject({ status: 201, body: { name: 'Eight' } });
    expect((await send('eight-eight', 'POST', PATHS.builds, build('Eight'))).status).toBe(409);
    expect((await builds()).filter((name) => name === 'Eight')).toHaveLength(1);
  });

  it('is forgotten once many have come after it', () => {
    const { sqlite } = bench.data!;
    const count = () => sqlite.prepare('SELECT count(*), count(answer) FROM writes').raw().get() as number[];
    const add = sqlite.prepare(
      `INSERT INTO writes (key, what, status, answer) VALUES (?, 'POST /x', 200, '{}')`,
    );
    sqlite.transaction(() => {
      for (let at = 0; at < 2500; at++) add.run(`many-${at}`);
    })();
    return send('six-six-six', 'POST', PATHS.builds, build('Seven')).then(() => {
      const [all, answered] = count();
      expect(all).toBeLessThanOrEqual(2001);
      expect(answered).toBeLessThanOrEqual(100);
    });
  });
});
