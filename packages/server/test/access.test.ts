import request from 'supertest';
import type { DataSource } from 'typeorm';
import { CONTRACT } from '@amber/core';
import { AccessCodes, createApp, storesOn } from '../src/index.js';
import { emptyJob, ownSource } from './support/api.js';

const CODES = { full: 'ABCD-EFGH', field: 'JKMN-PQRS' };
/** A name by which the program is reached from elsewhere. */
const AWAY = '192.168.1.20:4747';

let source: DataSource;
let drop: () => Promise<void>;
beforeAll(async () => {
  ({ source, drop } = await ownSource('amber_access_test'));
});
afterAll(() => drop());

const appWith = (codes = new AccessCodes(CODES)) =>
  createApp({ ...storesOn(source), hosts: ['192.168.1.20'], sharing: { codes } });

type App = ReturnType<typeof appWith>;

/** A device elsewhere, with the cookie that it was given. */
const device = (app: App, cookie = '') => {
  const ask = (method: 'get' | 'post' | 'put' | 'delete', path: string) => {
    const asked = request(app)[method](`/api${path}`).set('Host', AWAY);
    return cookie === '' ? asked : asked.set('Cookie', cookie);
  };
  return {
    get: (path: string) => ask('get', path),
    post: (path: string, body: object) => ask('post', path).send(body),
    put: (path: string, body: object) => ask('put', path).send(body),
    delete: (path: string) => ask('delete', path),
  };
};
const paired = async (app: App, code: string, name: string) => {
  const answer = await device(app).post('/access/pair', { code, name }).expect(200);
  const [cookie = ''] = answer.headers['set-cookie'] as unknown as string[];
  return { cookie, told: CONTRACT.pair.answer.parse(answer.body), device: device(app, cookie.split(';')[0]) };
};

test('whoever comes from elsewhere gets nothing but the way in; this machine goes on as before', async () => {
  const app = appWith();
  const stranger = device(app);
  for (const path of [
    '/jobs',
    '/catalog',
    '/deleted-jobs',
    '/access/devices',
    `/pictures/${'a'.repeat(64)}`,
    '/jobs/x/events?editor=e',
  ])
    expect([path, (await stranger.get(path)).status]).toEqual([path, 401]);
  expect((await stranger.post('/jobs', { saveId: 's', document: emptyJob('in') })).body).toMatchObject({
    code: 'no-access',
  });
  await stranger.get('/health').expect(200);
  expect((await stranger.get('/access/me').expect(200)).body).toEqual({
    ...{ shared: true, device: null, role: null, certificate: false },
  });
  // A name of loopback that comes through something in between is no page of this machine.
  for (const header of ['X-Forwarded-For', 'Forwarded'])
    await request(app).get('/api/jobs').set(header, 'for=10.0.0.9').expect(401);
  await request(app).get('/api/jobs').expect(200);
  expect((await request(app).get('/api/access/me')).body).toMatchObject({ device: null, role: 'full' });
});

test('a device is let in by the code, once, and does all that this machine does, until it is put out', async () => {
  const app = appWith();
  const tablet = await paired(app, 'abcd efgh', 'Tablet of the truck');
  expect(tablet.told).toEqual({ name: 'Tablet of the truck', role: 'full' });
  for (const word of ['HttpOnly', 'SameSite=Strict', 'Secure', 'Path=/'])
    expect(tablet.cookie).toContain(word);
  await tablet.device.post('/jobs', { saveId: 's', document: emptyJob('from-tablet') }).expect(201);
  expect((await tablet.device.get('/access/me')).body).toMatchObject({
    device: 'Tablet of the truck',
    role: 'full',
  });
  // Each save and record says where it was made, whatever the device says itself.
  await tablet.device
    .put('/jobs/from-tablet', { saveId: 't', parent: 1, document: emptyJob('from-tablet'), by: 'RF' })
    .expect(200);
  const { revisions } = CONTRACT.revisions.answer.parse(
    (await tablet.device.get('/jobs/from-tablet/revisions')).body,
  );
  expect(revisions[0]).toMatchObject({ revision: 2, by: 'RF', device: 'Tablet of the truck' });
  await tablet.device
    .post('/jobs/from-tablet/records', {
      ...{
        id: 'r',
        kind: 'note',
        version: 1,
        about: { kind: 'job', id: 'from-tablet' },
        body: { text: 'Seen' },
      },
      ...{ retracts: null, by: 'RF', device: 'The office', at: new Date().toISOString() },
    })
    .expect(201);
  expect((await tablet.device.get('/jobs/from-tablet/records')).body).toMatchObject({
    records: [{ by: 'RF', device: 'Tablet of the truck' }],
  });
  const { devices } = CONTRACT.devices.answer.parse(
    (await request(app).get('/api/access/devices').expect(200)).body,
  );
  const mine = devices.find(({ name }) => name === 'Tablet of the truck');
  expect(mine).toMatchObject({ role: 'full' });
  // What is kept of it does not let anybody in.
  const [row] = await source.query<{ token: string }[]>('SELECT token FROM devices WHERE id = ?', [mine?.id]);
  expect(tablet.cookie).not.toContain(row?.token ?? 'none');
  await device(app, `amber-device=${row?.token ?? ''}`)
    .get('/jobs')
    .expect(401);
  await request(app)
    .delete(`/api/access/devices/${mine?.id ?? ''}`)
    .expect(200);
  await tablet.device.get('/jobs').expect(401);
  await request(app)
    .delete(`/api/access/devices/${mine?.id ?? ''}`)
    .expect(404);
});

test('the field view reads, ticks and photographs, and changes nothing else', async () => {
  const app = appWith();
  await request(app)
    .post('/api/jobs')
    .send({ saveId: 's', document: emptyJob('site') })
    .expect(201);
  const { device: phone, told } = await paired(app, CODES.field, 'Telephone');
  expect(told.role).toBe('field');
  await phone.get('/jobs/site').expect(200);
  await phone.get('/jobs').expect(200);
  await phone
    .post('/jobs/site/records', {
      ...{ id: 'r', kind: 'note', version: 1, about: { kind: 'job', id: 'site' }, body: { text: 'Seen' } },
      ...{ retracts: null, by: 'AB', at: new Date().toISOString() },
    })
    .expect(201);
  const refused = [
    phone.put('/jobs/site', { saveId: 't', parent: 1, document: emptyJob('site') }),
    phone.post('/jobs', { saveId: 't', document: emptyJob('new') }),
    phone.delete('/jobs/site'),
    phone.post('/jobs/site/duplicate', {}),
    phone.post('/jobs/site/records/../restore', {}),
    phone.put('/catalog/articles', { articles: [] }),
    phone.post('/shared-jobs', {}),
    phone.get('/access/devices'),
    phone.get('/ACCESS/Devices'),
    phone.get('/jobs/site/shared'),
    phone.delete('/access/devices/x'),
  ];
  for (const one of refused) expect((await one).body).toMatchObject({ code: 'field-view' });
});

test('five wrong codes are free; after them a client waits, longer each time, and so does whoever knows the code', async () => {
  let now = 0;
  const codes = new AccessCodes(CODES, () => now);
  const tries = async (code: string, client = 'a') => (await codes.try(code, client)).kind;
  for (let i = 0; i < 5; i++) expect(await tries('WRNG-WRNG')).toBe('wrong');
  expect(await codes.try(CODES.full, 'a')).toEqual({ kind: 'wait', seconds: 10 });
  // Another client is not held up by it.
  expect(await tries(CODES.full, 'b')).toBe('right');
  now += 10_000;
  expect(await tries('WRNG-WRNG')).toBe('wrong');
  expect(await codes.try(CODES.full, 'a')).toEqual({ kind: 'wait', seconds: 20 });
  now += 20_000;
  expect(await codes.try('jkmnpqrs', 'a')).toEqual({ kind: 'right', role: 'field' });
  // Sent all at once they are as many tries.
  const at = await Promise.all(Array.from({ length: 12 }, () => tries('WRNG-WRNG', 'c')));
  expect(at.filter((kind) => kind === 'wrong')).toHaveLength(5);
  // From ever other addresses it is slow too.
  let waited = 0;
  for (let i = 0; i < 80; i++) if ((await tries('WRNG-WRNG', `d${i}`)) === 'wait') waited += 1;
  expect(waited).toBeGreaterThan(20);
}, 60_000);

test('where nobody is let in, nothing is asked and nobody is paired', async () => {
  const app = createApp({ ...storesOn(source), hosts: ['office.example'] });
  await request(app).get('/api/jobs').set('Host', 'office.example').expect(200);
  const refused = await request(app)
    .post('/api/access/pair')
    .send({ code: CODES.full, name: 'x' })
    .expect(403);
  expect(refused.body).toMatchObject({ code: 'no-access' });
  await request(app).get('/api/jobs').set('Host', AWAY).expect(403);
});
