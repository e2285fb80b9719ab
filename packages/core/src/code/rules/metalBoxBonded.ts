import { defineGrounding } from './ungrounded.js';

/** 250.148(C): a connection from the splice of grounds to a metal box, by a screw used for nothing else. */
export const metalBoxBonded = defineGrounding({
  id: 'metal-box-bonded',
  stage: 'makeUp',
  title: 'A metal box is connected to the grounds in it',
  rests: 'By a screw used for nothing else, or a listed device.',
  section: () => '250.148(C)',
  boxOf: (part) => ('box' in part ? part.box : null),
  what: (part, { place }) => ('box' in part ? place(part.box) : ''),
  reason: 'A hot that touches the box makes it live, and no breaker opens.',
  remedy: 'Bring a tail from the splice of grounds to a screw of the box.',
  notByYoke: 'Whoever takes the device out takes the ground of the box with it.',
  withoutGround: 'No cable brings a ground here: bring one, or ask the authority what old work may stay.',
});
