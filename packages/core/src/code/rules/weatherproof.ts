import { defineSiteCheck } from '../rule.js';

/** 404.4, 314.15: outdoors and in wet places boxes and covers are weatherproof. */
export const weatherproof = defineSiteCheck({
  id: 'weatherproof',
  stage: 'final',
  title: 'Weatherproof boxes and covers in damp and wet places',
  rests: 'The listing of box and cover.',
  section: () => '404.4, 314.15',
  where: ({ job }) =>
    job.boxes
      .filter((box) => (box.location === 'damp' || box.location === 'wet') && box.work !== 'beyond')
      .map((box) => ({ box: box.id })),
  why: 'Water finds the box.',
  look: 'See that box, cover and fittings are listed for it.',
});
