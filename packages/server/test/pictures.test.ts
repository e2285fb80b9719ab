import { createHash } from 'node:crypto';
import type { DataSource } from 'typeorm';
import { apiOn, freshSource } from './support/api.js';

let source: DataSource;
beforeAll(async () => {
  source = await freshSource();
});
afterAll(() => source.destroy());

const svg = Buffer.from(
  '<?xml version="1.0"?><svg xmlns="http://www.w3.org/2000/svg" width="60" height="40"><path d="M0 0h60v40z"/></svg>',
);
const png = Buffer.concat([Buffer.from('89504e470d0a1a0a', 'hex'), Buffer.alloc(200, 7)]);
const send = (type: string, bytes: Buffer) =>
  apiOn(source).post('/api/pictures').set('Content-Type', type).send(bytes);

test.each([
  ['image/svg+xml', svg],
  ['image/png', png],
  ['image/jpeg', Buffer.concat([Buffer.from('ffd8ffe0', 'hex'), Buffer.alloc(90, 1)])],
])('a picture %s is kept once under the hash of its bytes and comes back as it was', async (type, bytes) => {
  const hash = createHash('sha256').update(bytes).digest('hex');
  for (let time = 0; time < 2; time++) expect((await send(type, bytes).expect(201)).body).toEqual({ hash });
  const [row] = await source.query<{ count: string }[]>(
    'SELECT COUNT(*) AS count FROM pictures WHERE hash = ?',
    [hash],
  );
  expect(Number(row?.count)).toBe(1);
  const answer = await apiOn(source).get(`/api/pictures/${hash}`).buffer(true).expect(200);
  expect(answer.headers['content-type']).toContain(type);
  expect(Buffer.from((answer.body as Buffer) ?? answer.text).length).toBe(bytes.length);
  expect(answer.headers['content-security-policy']).toContain('sandbox');
  expect(answer.headers['cache-control']).toContain('immutable');
});

test('what is not a picture, is too large, or was never kept, is refused with the reason', async () => {
  const notWhatItSays = await send('image/png', svg).expect(422);
  expect(notWhatItSays.body).toMatchObject({ code: 'not-a-picture' });
  await send('text/html', Buffer.from('<p>')).expect(415);
  const large = await send('image/png', Buffer.concat([png, Buffer.alloc(9 * 2 ** 20)])).expect(413);
  expect(large.body).toMatchObject({ code: 'too-large', message: expect.stringContaining('8 MB') });
  await apiOn(source)
    .get(`/api/pictures/${'0'.repeat(64)}`)
    .expect(404);
  await apiOn(source).get('/api/pictures/..%2Fjobs').expect(404);
});
