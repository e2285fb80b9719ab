/** The packet of a job as a PDF, from the same code in a worker of the page and on the command line. */
export { ALL_SECTIONS, EVERY_SECTION, PAPERS, SECTIONS } from './sections.js';
export type { Paper, Section } from './sections.js';
export type { Asked } from './asked.js';
export { packetDocument } from './packet.js';
export { writePdf } from './writePdf.js';
export type { Faces } from './writePdf.js';
