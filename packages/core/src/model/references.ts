import { existingDocument } from './existing.js';
import { findRoom } from './lookup.js';
import { conductorsOf } from './articles.js';
import { isGroundColour } from './colours.js';
import { PANEL, UNKNOWN_PLACE, UNNAMED_BREAKER, isFarNode, placeOfNode, type TreePlace } from './ids.js';
import { jobShape, type Job } from './job.js';
import { endKey, type End, type Terminal, type Wiring } from './wiring.js';

type Path = (string | number)[];
type Report = (path: Path, message: string) => void;

const duplicates = (items: readonly { id: string }[], path: string, report: Report) => {
  const seen = new Set<string>();
  items.forEach((item, index) => {
    if (seen.has(item.id)) report([path, index, 'id'], `the id "${item.id}" is used twice in ${path}`);
    seen.add(item.id);
  });
};

const known = (ids: ReadonlySet<string>, what: string, report: Report) => (id: string, path: Path) => {
  if (!ids.has(id)) report(path, `there is no ${what} "${id}"`);
};

const idsOf = (items: readonly { id: string }[]): Set<string> => new Set(items.map((item) => item.id));

const checkWiring = (job: Job, wiring: Wiring, at: Path, report: Report) => {
  const articles = (kind: string) => idsOf(job.stock.filter((a) => a.kind === kind));
  const box = known(idsOf(job.boxes), 'box', report);
  const place = (id: string, path: Path) => {
    if (id !== PANEL) box(id, path);
  };
  const luminaire = known(idsOf(job.luminaires), 'luminaire', report);
  const circuit = known(idsOf(job.circuits), 'circuit', report);
  const cables = new Map(wiring.cables.map((cable) => [cable.id as string, cable]));
  const cableArticles = new Map(
    job.stock.flatMap((a) => (a.kind === 'cable' ? [[a.id as string, a] as const] : [])),
  );
  const deviceArticles = new Map(
    job.stock.flatMap((a) => (a.kind === 'device' ? [[a.id as string, a] as const] : [])),
  );
  const devices = new Map(wiring.devices.map((device) => [device.id as string, device]));
  const pigtails = new Set<string>();

  const end = (e: End, path: Path) => {
    const cable = cables.get(e.cable);
    if (!cable) return report([...path, 'cable'], `there is no cable "${e.cable}"`);
    const article = cableArticles.get(cable.article);
    if (article && !conductorsOf(article).includes(e.colour))
      report([...path, 'colour'], `cable "${e.cable}" (${article.name}) has no ${e.colour} conductor`);
  };
  const terminal = (t: Terminal, path: Path) => {
    if ('luminaire' in t) luminaire(t.luminaire, [...path, 'luminaire']);
    else if ('circuit' in t) {
      if (t.circuit !== UNNAMED_BREAKER) circuit(t.circuit, [...path, 'circuit']);
    } else if ('box' in t) box(t.box, [...path, 'box']);
    else {
      const device = devices.get(t.device);
      if (!device) return report([...path, 'device'], `there is no device "${t.device}"`);
      const article = deviceArticles.get(device.article);
      if (article && !article.terminals.some((one) => one.name === t.name))
        report([...path, 'name'], `${article.name} has no terminal "${t.name}"`);
    }
  };

  duplicates(wiring.cables, 'cables', (p, m) => report([...at, ...p], m));
  duplicates(wiring.devices, 'devices', (p, m) => report([...at, ...p], m));
  duplicates(wiring.joints, 'joints', (p, m) => report([...at, ...p], m));
  const boxArticle = known(articles('box'), 'box in the stock called', report);
  for (const [id, chosen] of Object.entries(wiring.boxes)) {
    box(id, [...at, 'boxes', id]);
    chosen.forEach((article, i) => boxArticle(article, [...at, 'boxes', id, i]));
  }
  const slot = known(idsOf(job.slots), 'slot', report);
  const deviceArticle = known(articles('device'), 'device in the stock called', report);
  wiring.devices.forEach((d, i) => {
    box(d.box, [...at, 'devices', i, 'box']);
    if (d.slot !== null) slot(d.slot, [...at, 'devices', i, 'slot']);
    deviceArticle(d.article, [...at, 'devices', i, 'article']);
  });
  const cableArticle = known(articles('cable'), 'cable in the stock called', report);
  wiring.cables.forEach((c, i) => {
    place(c.from, [...at, 'cables', i, 'from']);
    if (c.to !== UNKNOWN_PLACE) box(c.to, [...at, 'cables', i, 'to']);
    cableArticle(c.article, [...at, 'cables', i, 'article']);
    c.via.forEach((one, k) => box(one.box, [...at, 'cables', i, 'via', k, 'box']));
  });
  const connector = known(articles('connector'), 'connector in the stock called', report);
  // A ground may be joined and, left long, go on to a terminal; any other end is used once.
  const used = new Map<string, 'joined' | 'landed'>();
  const once = (e: End, how: 'joined' | 'landed', path: Path) => {
    const before = used.get(endKey(e));
    const groundLeftLong = before !== how && isGroundColour(e.colour);
    if (before && !groundLeftLong)
      report(path, `the ${e.colour} end of cable "${e.cable}" is joined or landed twice`);
    used.set(endKey(e), how);
  };
  wiring.joints.forEach((joint, i) => {
    const path = [...at, 'joints', i];
    box(joint.box, [...path, 'box']);
    joint.members.forEach((member, m) => {
      const here = [...path, 'members', m];
      if ('end' in member) {
        end(member.end, [...here, 'end']);
        once(member.end, 'joined', here);
      } else if ('lead' in member) terminal(member.lead, [...here, 'lead']);
      else if (pigtails.has(member.pigtail.id))
        report(here, `the pigtail id "${member.pigtail.id}" is used twice`);
      else pigtails.add(member.pigtail.id);
    });
    joint.connectors.forEach((one, c) => {
      connector(one.article, [...path, 'connectors', c, 'article']);
      one.members.forEach((index, k) => {
        if (index >= joint.members.length)
          report([...path, 'connectors', c, 'members', k], `the splice has no member ${index}`);
      });
    });
  });
  wiring.landings.forEach((landing, i) => {
    const path = [...at, 'landings', i];
    if ('end' in landing.wire) {
      end(landing.wire.end, [...path, 'wire', 'end']);
      once(landing.wire.end, 'landed', [...path, 'wire']);
    } else if (!pigtails.has(landing.wire.pigtail))
      report([...path, 'wire', 'pigtail'], `there is no pigtail "${landing.wire.pigtail}"`);
    terminal(landing.terminal, [...path, 'terminal']);
  });
  const luminaireArticle = known(articles('luminaire'), 'luminaire in the stock called', report);
  wiring.luminaires.forEach((one, i) => {
    luminaire(one.id, [...at, 'luminaires', i, 'id']);
    luminaireArticle(one.article, [...at, 'luminaires', i, 'article']);
  });
  wiring.unseen.forEach((e, i) => {
    const path = [...at, 'unseen', i];
    end(e, path);
    if (used.has(endKey(e)))
      report(path, `the ${e.colour} end of cable "${e.cable}" is joined or landed, so somebody has seen it`);
  });
  wiring.marks.forEach((mark, i) => end(mark.end, [...at, 'marks', i, 'end']));
};

const checkReferences = (job: Job, report: Report) => {
  const lists = [
    'stock',
    'rooms',
    'doors',
    'pictures',
    'circuits',
    'feeds',
    'boxes',
    'slots',
    'levels',
    'luminaires',
    'groups',
    'amendments',
    'wirings',
  ] as const;
  for (const list of lists) duplicates(job[list], list, report);
  const room = known(idsOf(job.rooms), 'room', report);
  const circuit = known(idsOf(job.circuits), 'circuit', report);
  const group = known(idsOf(job.groups), 'group', report);
  const feed = known(idsOf(job.feeds), 'feed', report);
  const slot = known(idsOf(job.slots), 'slot', report);
  const lying = known(idsOf(existingDocument(job)?.wiring.cables ?? []), 'existing cable', report);
  const box = known(idsOf(job.boxes), 'box', report);
  const place = (id: string, path: Path) => {
    if (id !== PANEL) box(id, path);
  };
  const inStock = (kind: string) =>
    known(idsOf(job.stock.filter((a) => a.kind === kind)), `${kind} in the stock called`, report);
  const boxArticle = inStock('box');
  const deviceArticle = inStock('device');
  const level = known(idsOf(job.levels), 'level', report);
  job.circuits.forEach((one, i) => {
    if (one.id === UNNAMED_BREAKER)
      report(['circuits', i, 'id'], `"${UNNAMED_BREAKER}" stands for a breaker that nobody has named`);
  });
  const luminaire = known(idsOf(job.luminaires), 'luminaire', report);
  const node = (at: TreePlace, path: Path) => place(placeOfNode(at), path);
  job.stock.forEach((article, i) => {
    if (article.kind === 'cable' && article.insulated.some((colour) => colour === article.ground))
      report(
        ['stock', i],
        `${article.ground} is both an insulated conductor and the ground; number the conductor, as in ${article.ground}-2`,
      );
    if (article.kind !== 'device') return;
    if (article.companion !== null) deviceArticle(article.companion, ['stock', i, 'companion']);
    const terminals = new Set(article.terminals.map((one) => one.name));
    article.terminals.forEach(({ name }, k) => {
      if (article.terminals.findIndex((one) => one.name === name) < k)
        report(['stock', i, 'terminals', k, 'name'], `${article.name} has two terminals called "${name}"`);
    });
    const pairs = [...article.positions.flatMap((one) => one.connected), ...article.bridged];
    for (const name of pairs.flat())
      if (!terminals.has(name)) report(['stock', i], `${article.name} has no terminal "${name}"`);
  });
  job.rooms.forEach((r, i) => {
    if (r.level !== null) level(r.level, ['rooms', i, 'level']);
    r.walls.forEach(({ wall }, k) => {
      if (r.outline !== null && wall >= r.outline.length)
        report(['rooms', i, 'walls', k, 'wall'], `the room has ${r.outline.length} walls, counted from 0`);
    });
  });
  job.pictures.forEach((one, i) => {
    if (one.level !== null) level(one.level, ['pictures', i, 'level']);
  });
  job.doors.forEach((d, i) => {
    room(d.room, ['doors', i, 'room']);
    const corners = findRoom(job, d.room)?.outline?.length;
    if (corners !== undefined && d.wall >= corners)
      report(['doors', i, 'wall'], `the room has ${corners} walls, counted from 0`);
  });
  if (job.routing.panel?.level) level(job.routing.panel.level, ['routing', 'panel', 'level']);
  job.boxes.forEach((b, i) => {
    if (isFarNode(b.id))
      report(['boxes', i, 'id'], `the id of a box cannot be written as a node of a box is`);
    if (b.article !== null) boxArticle(b.article, ['boxes', i, 'article']);
    b.sections.forEach((id, k) => boxArticle(id, ['boxes', i, 'sections', k]));
    if (b.level !== null) level(b.level, ['boxes', i, 'level']);
    if (b.room !== null) room(b.room, ['boxes', i, 'room']);
  });
  job.slots.forEach((s, i) => {
    box(s.box, ['slots', i, 'box']);
    group(s.group, ['slots', i, 'group']);
    if (s.article !== null) deviceArticle(s.article, ['slots', i, 'article']);
  });
  job.luminaires.forEach((l, i) => {
    box(l.box, ['luminaires', i, 'box']);
    group(l.group, ['luminaires', i, 'group']);
    if (l.partOf !== null) luminaire(l.partOf, ['luminaires', i, 'partOf']);
  });
  job.amendments.forEach(({ scope }, i) => {
    if (scope === 'job') return;
    if ('room' in scope) room(scope.room, ['amendments', i, 'scope', 'room']);
    else if ('circuit' in scope) circuit(scope.circuit, ['amendments', i, 'scope', 'circuit']);
    else box(scope.box, ['amendments', i, 'scope', 'box']);
  });
  job.groups.forEach((g, i) => {
    circuit(g.circuit, ['groups', i, 'circuit']);
    room(g.room, ['groups', i, 'room']);
  });
  job.feeds.forEach((f, i) => {
    circuit(f.circuit, ['feeds', i, 'circuit']);
    place(f.at, ['feeds', i, 'at']);
  });
  job.runFacts.forEach((fact, i) =>
    fact.between.forEach((id, side) => place(id, ['runFacts', i, 'between', side])),
  );
  job.choices.forEach((choice, i) => {
    circuit(choice.circuit, ['choices', i, 'circuit']);
    feed(choice.feed, ['choices', i, 'feed']);
    choice.runs.forEach((run, r) => {
      node(run.from, ['choices', i, 'runs', r, 'from']);
      node(run.to, ['choices', i, 'runs', r, 'to']);
      if (run.by !== undefined) lying(run.by, ['choices', i, 'runs', r, 'by']);
    });
    for (const [id, chain] of Object.entries(choice.chains ?? {})) {
      group(id, ['choices', i, 'chains', id]);
      chain.forEach((s, k) => slot(s, ['choices', i, 'chains', id, k]));
    }
    choice.neutralAt?.forEach((s, k) => slot(s, ['choices', i, 'neutralAt', k]));
    choice.apart?.forEach((one, k) => {
      node(one.box, ['choices', i, 'apart', k, 'box']);
      one.groups.forEach((id, g) => group(id, ['choices', i, 'apart', k, 'groups', g]));
    });
    for (const field of ['givenUp', 'anew'] as const)
      choice[field]?.forEach((id, k) => lying(id, ['choices', i, field, k]));
  });
  const besides = job.wirings.filter((document) => document.kind !== 'planned').length;
  if (besides > 20)
    report(['wirings'], `a job has at most 20 wirings beside the planned one; this one has ${besides}`);
  if (job.wirings.length - besides > 1)
    report(['wirings'], 'a job has one planned wiring; take the others out, or call them found');
  const wirings = known(idsOf(job.wirings), 'wiring', report);
  job.wirings.forEach((document, i) => {
    if (document.basedOn !== null) wirings(document.basedOn, ['wirings', i, 'basedOn']);
    const boxes = known(idsOf(job.boxes), 'box', report);
    for (const id of Object.keys(document.certainty)) boxes(id, ['wirings', i, 'certainty', id]);
    const cables = known(idsOf(document.wiring.cables), 'cable', report);
    document.assumedEnds.forEach((end, k) => cables(end.cable, ['wirings', i, 'assumedEnds', k, 'cable']));
    for (const id of Object.keys(document.sizesFrom)) cables(id, ['wirings', i, 'sizesFrom', id]);
    for (const [id, of] of Object.entries(document.carries)) {
      cables(id, ['wirings', i, 'carries', id]);
      circuit(of, ['wirings', i, 'carries', id]);
    }
    for (const id of Object.keys(document.others)) boxes(id, ['wirings', i, 'others', id]);
    document.stands.slots.forEach((id, k) => slot(id, ['wirings', i, 'stands', 'slots', k]));
    document.stands.luminaires.forEach((id, k) => luminaire(id, ['wirings', i, 'stands', 'luminaires', k]));
  });
  if (job.wirings.filter((document) => document.kind === 'existing').length > 1)
    report(['wirings'], 'a job has one existing wiring; call a second look at it found');
  job.wirings.forEach((document, i) => checkWiring(job, document.wiring, ['wirings', i, 'wiring'], report));
};

/**
 * The whole boundary check of a job file of this version: syntax, figures in range, no id that leads nowhere. What is
 * unsound or unfinished (a ring of cables, a group without a switch) passes here and is shown as a finding.
 */
export const jobSchema = jobShape.superRefine((job, context) => {
  checkReferences(job, (path, message) => context.addIssue({ code: 'custom', path, message }));
});
