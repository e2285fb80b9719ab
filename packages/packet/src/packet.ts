import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces.js';
import { materialOf, type Asked, type Material } from './asked.js';
import { boxPages, schedule } from './boxes.js';
import { brief } from './brief.js';
import { cover } from './cover.js';
import { bites } from './dangers.js';
import { checks, cuts, takeOff } from './lists.js';
import { LINE_HEIGHT } from './measured.js';
import { plans } from './plans.js';
import { MARGINS, PAPERS, type Section } from './sections.js';
import { panel, tests } from './proving.js';
import { why } from './strips.js';

/** Each section as pages; `first` is the one that the packet begins with, which starts no new page. */
const PAGES: Record<Section, (material: Material, first: boolean) => Content[]> = {
  ...{ cover, plans, schedule, boxes: boxPages, cuts, takeOff, checks, bites, tests, panel, why, brief },
};

/** A packet as a document that `writePdf` sets: the chosen sections in their order, safety and the state of the job on every page. */
export const packetDocument = (
  asked: Asked,
  onSection: (section: Section) => void = () => undefined,
): TDocumentDefinitions => {
  const material = materialOf(asked);
  const { job, state: told, made } = material;
  const chosen = (Object.keys(PAGES) as Section[]).filter((section) => asked.sections.includes(section));
  const content = chosen.flatMap((section, i) => {
    onSection(section);
    return PAGES[section](material, i === 0);
  });
  const state = `${job.name} · ${told} · ${made.toISOString().slice(0, 10)}`;
  return {
    pageSize: PAPERS[asked.paper],
    pageMargins: MARGINS,
    info: { title: `${job.name}: packet`, creationDate: made, modDate: made },
    defaultStyle: { font: 'Packet', fontSize: 9.5, lineHeight: LINE_HEIGHT },
    footer: (page, pages) => ({
      margin: [36, 8, 36, 0],
      fontSize: 7.5,
      columns: [
        { text: state, width: '*' },
        { text: 'Work dead, prove it dead. The authority decides.', width: 'auto', margin: [0, 0, 12, 0] },
        { text: `page ${page} of ${pages}`, width: 'auto' },
      ],
    }),
    content,
  };
};
