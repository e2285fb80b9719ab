import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { root } from './paths.mjs';

/** A small job to show the formats on: power at the switch, one luminaire behind it. */
const exampleJob = (core) => {
  const job = {
    ...core.newJob('tar-store', 'Tar store', []),
    rooms: [
      core.newRoom({ id: 'tar-store', name: 'Tar store', kind: 'habitable', wholeFloorVisible: 'yes' }),
    ],
    circuits: [core.newCircuit({ id: 'lights', name: 'Tar store', breaker: 15, awg: 14 })],
    feeds: [core.newFeed({ id: 'home-run', circuit: 'lights', at: 'panel' })],
    boxes: [
      core.newBox({ id: 'door', name: 'Tar store door', article: null, accessible: 'unknown' }),
      core.newBox({ id: 'rack', name: 'Barrel rack', article: null, accessible: 'no' }),
    ],
    groups: [core.newGroup({ id: 'rack-light', name: 'Rack light', circuit: 'lights', room: 'tar-store' })],
    slots: [core.newSlot({ id: 'door-switch', box: 'door', gang: 0, group: 'rack-light' })],
    luminaires: [
      core.newLuminaire({
        ...{ id: 'rack-lamp', name: 'Barrel rack', box: 'rack', group: 'rack-light', va: 18 },
        ...{ terminals: 'leads', leadAwg: 18, metal: true },
      }),
    ],
    runFacts: [
      core.newRunFact({ between: ['panel', 'door'], length: 306 }),
      core.newRunFact({ between: ['door', 'rack'], length: 126 }),
    ],
    choices: [
      {
        circuit: 'lights',
        feed: 'home-run',
        runs: [
          { from: 'panel', to: 'door' },
          { from: 'door', to: 'rack' },
        ],
      },
    ],
  };
  // Only the articles it comes to use, so that the example can be read to its end.
  const planned = core.planJob({ ...job, stock: core.standardStock() }).job;
  const used = core.estimate(
    planned,
    core.wiringOrEmpty(planned),
    core.compile(core.wiringOrEmpty(planned), planned),
  );
  const ids = new Set(used.takeOff.lines.map((line) => line.article));
  return { ...job, stock: core.standardStock().filter((article) => ids.has(article.id)) };
};

const exampleWorksheet = {
  worksheet: 1,
  name: 'River door',
  edition: 2023,
  sections: [{ name: '1-gang nonmetallic', volume: 225000 }],
  contents: {
    conductors: [14, 14, 14, 14, 14, 14, 12, 12],
    grounds: [14, 14, 12],
    yokes: [{ gangs: 1, awg: 14 }],
  },
};

const COMMANDS = [
  ['simulate', 'the truth table of each control group, one handle moved from row to row'],
  ['fill', 'the box-fill worksheet of each box (314.16)'],
  ['takeoff', 'what to buy, the cut list with the tags of both ends, the coils, the minutes, the cost'],
  ['inspect', 'the findings, the worst first'],
  ['compare', 'what two editions say differently', ['--with', '2014']],
  ['netlist', 'a SPICE netlist for each set of handle positions'],
  ['validate', 'nothing but whether the file is sound'],
];

const INTRODUCTION = `# Formats and the command line

All formats are JSON. Each has a [JSON Schema](schemas) (draft 2020-12), generated from the schemas that the program itself
checks by; this page and its examples are made by \`npm run docs\` and a test keeps them true.

- Lengths are inches, multiples of 1/16. Volumes are ten-thousandths of a cubic inch and money ten-thousandths of a
  dollar, so that sums are exact: 20.0 in³ is 200000, $1.25 is 12500. Sizes are AWG, loads volt-amperes, breakers amperes.
- An unknown field is refused, not dropped: it may be a known one misspelled. So is an id that leads nowhere, a figure out
  of range, and a later version of a format. Each fault comes with its dotted path and a sentence.
- An earlier version of a format is read and brought up to this one. A job of format 1 does not say what its old boxes hold
  nor whose power its old cables carry: what its feeds tell is taken from them, the rest comes in as not told, and counts as
  unknown until someone tells it. The rings that give square boxes a round opening join its stock.
- What is unsound or unfinished (a group without a switch, a ring of cables) is no fault of the file: it is read, kept, and
  told among the findings.
- A JSON Schema cannot say everything: that ids lead somewhere is checked by the program alone.

## The command line

    node packages/cli/dist/main.js COMMAND [FILE] [--json] [--wiring ID] [--group ID] [--circuit NAME] [--edition YEAR] [--with YEAR]

It reads a file, or standard input. It ends with 0; with 1 where a rule is violated, a box is too full, a group does not work
or a circuit cannot be planned; with 2 on bad input, the faults on standard error. Without \`--json\` it prints tables.
\`inspect --walk rough\` or \`final\` narrows the findings to one of the inspector's walks and says first what stands against it;
\`fill --smallest\` tells the smallest box of the stock for each place.
\`plan --circuit\` looks for the ways to wire one circuit and prints the best of each kind with their reasons.
\`packet FILE --out FILE.pdf\` writes the packet of the job, or of one circuit with \`--circuit\`; \`--sections\`, \`--paper letter\` or \`a4\`, and \`--made\`
with a day narrow it. The same job and day give the same bytes as on the page.
`;

const fenced = (text, language = '') => `\`\`\`${language}\n${text.trimEnd()}\n\`\`\`\n`;

const RULES_INTRODUCTION = `# The rules

What the inspection looks for, in our own words, with the section of the National Electrical Code by edition and the figure or
fact that each rule rests on. Made by \`npm run docs\` from the rules themselves. Editions 2011 to 2023 for new work; 2008 stands for
all before, to judge existing work by the edition of its day. Every finding defers to the adopted edition, local amendments and the
authority having jurisdiction; nothing here licenses or approves.

- **violation**: contradicts the rule. **caution**: lawful, or a matter on which authorities differ. **verify**: only eyes on site
  can tell. A fact that the job does not hold is a question, asked once, and stands as *verify* until it is answered.
- Existing work that nobody touches and that met the edition of its day is a caution that says so; a change to it brings
  today's rules.
- Each is seen first before the wall is closed or at the end; what is made up, at the one or the other by the habit of the job.
- A local amendment of the user may give a rule another severity, waive it, or add one of its own; the finding says so.

Not checked: voltage between neighbouring devices, at most 300 V (404.8(B)), which every job on 120/240 V meets.
`;

/** The sections of a rule, told once where they do not differ. */
const sectionsOf = (rule, editions) => {
  const parts = [];
  for (const edition of editions) {
    if (rule.since !== null && edition < rule.since) continue;
    const section = rule.section(edition) || 'none';
    const last = parts.at(-1);
    if (last?.section === section) last.to = edition;
    else parts.push({ section, from: edition, to: edition });
  }
  if (parts.length === 1 && rule.since === null)
    return parts[0].section === 'none' ? 'by simulation' : parts[0].section;
  return parts
    .map(
      ({ section, from, to }) =>
        `${section} (${to === editions.at(-1) ? `from ${from}` : `${from} to ${to}`})`,
    )
    .join('; ');
};

/** When a rule is first seen, by its stage. */
const SEEN = { roughIn: 'before the wall is closed', makeUp: 'when it is made up', final: 'at the end' };

const rulesDoc = (core) => {
  const { RULES, JUDGED_EDITIONS } = core;
  return [
    RULES_INTRODUCTION,
    ...RULES.map(
      (rule) =>
        `## ${rule.title}\n\n\`${rule.id}\` · ${sectionsOf(rule, JUDGED_EDITIONS)} · ${rule.severities.join(', ')} · ${SEEN[rule.stage]}\n\nRests on: ${rule.rests}\n${rule.asks.length > 0 ? `\nNeeds to know: ${rule.asks.map((kind) => core.questionOf(core.newJob('job', 'Job', []), kind, '…').text.replace('the panel', '…')).join(' ')}\n` : ''}`,
    ),
  ].join('\n');
};

/** A table as the formatter leaves it. */
const table = (head, rows) => {
  const widths = head.map((one, i) => Math.max(one.length, ...rows.map((row) => row[i].length)));
  const line = (cells) => `| ${cells.map((cell, i) => cell.padEnd(widths[i])).join(' | ')} |`;
  return [line(head), line(widths.map((width) => '-'.repeat(width))), ...rows.map(line)].join('\n');
};

/** The architecture page with the parts of the house in it, from the list that the import rule is made of. */
const architectureDoc = () => {
  const house = JSON.parse(readFileSync(join(root, 'scripts/lib/house.json'), 'utf8'));
  const page = readFileSync(join(root, 'docs/architecture.md'), 'utf8');
  return Object.entries(house).reduce((text, [pkg, parts]) => {
    const rows = parts.map(({ part, holds, reads }) => [
      `\`${part}\``,
      holds,
      reads.map((one) => `\`${one}\``).join(', ') || 'itself',
    ]);
    const marked = new RegExp(`(<!-- parts of ${pkg} -->\\n)[\\s\\S]*?(\\n<!-- end -->)`);
    if (!marked.test(text)) throw new Error(`docs/architecture.md has no place for the parts of ${pkg}.`);
    return text.replace(
      marked,
      (_all, from, to) => `${from}\n${table(['part', 'holds', 'may read'], rows)}\n${to}`,
    );
  }, page);
};

/** Every file of the generated documentation by its path under docs. `core` is the core, `run` the command line. */
export const generatedDocs = (core, run) => {
  const job = exampleJob(core);
  const files = new Map([['architecture.md', architectureDoc()]]);
  const json = (value) => `${JSON.stringify(value, null, 2)}\n`;
  for (const name of Object.keys(core.FORMATS))
    files.set(`schemas/${name}.schema.json`, json(core.jsonSchemaOf(name)));
  files.set('examples/tar-store.job.json', json(job));
  files.set('examples/river-door.worksheet.json', json(exampleWorksheet));

  const printed = (args, text) => {
    const out = [];
    run(args, { read: () => text, out: (line) => out.push(line), error: (line) => out.push(line) });
    return out.join('\n');
  };
  const schema = (name) => `[${core.FORMATS[name].title}](schemas/${name}.schema.json)`;
  const parts = [
    INTRODUCTION,
    '## The job file\n',
    `${schema('job')}. A whole job: rooms, circuits, feeds, boxes, slots for devices, luminaires, control groups, what is known of runs, the way each circuit is cabled, the stock and prices it was planned with, and its wirings. What has a default may be left out. The example is [tar-store.job.json](examples/tar-store.job.json), with only the articles that it comes to use; what follows is what the commands make of it.\n`,
  ];
  for (const [name, what, options = []] of COMMANDS) {
    const text = json(job);
    files.set(`examples/tar-store.${name}.json`, `${printed([name, ...options, '--json'], text)}\n`);
    parts.push(`### \`${[name, ...options].join(' ')}\`: ${what}\n`);
    parts.push(`With \`--json\`: ${schema(name)}, [the example as data](examples/tar-store.${name}.json).\n`);
    const lines = printed([name, ...options], text).split('\n');
    const shown = lines.length > 30 ? [...lines.slice(0, 26), '...'] : lines;
    parts.push(fenced(shown.join('\n') || '(no findings)'));
  }
  parts.push('## The box-fill worksheet\n');
  parts.push(
    `${schema('worksheet')}. One box without a job: what enters it, and the marked volumes of the box and of what is put on it. \`fill\` takes it in place of a job file. A three-way fed by 12/2, in a box with two 14/3 ([river-door.worksheet.json](examples/river-door.worksheet.json)):\n`,
  );
  parts.push(fenced(json(exampleWorksheet), 'json'));
  parts.push(fenced(printed(['fill'], json(exampleWorksheet))));
  files.set('formats.md', parts.join('\n'));
  files.set('rules.md', rulesDoc(core));
  return files;
};
