import type { Feed } from '../model/job.js';

/** What a receptacle that is to be a source is, as somebody has tested it: both halves, with every handle in both positions. */
export const TAPPED_SOURCES = ['unknown', 'live', 'halfSwitched', 'loadSide', 'multiwire'] as const;
export type TappedSource = (typeof TAPPED_SOURCES)[number];

/** What the receptacle is that a feed taps; that it is behind a ground-fault device is a fact of its own. */
export const tappedBy = ({ source, gfciSide }: Pick<Feed, 'source' | 'gfciSide'>): TappedSource =>
  gfciSide === 'load' ? 'loadSide' : source;

/** The feed of which this is told. */
export const withTapped = (feed: Feed, tapped: TappedSource): Feed =>
  tapped === 'loadSide'
    ? { ...feed, gfciSide: 'load' }
    : { ...feed, source: tapped, gfciSide: feed.gfciSide === 'load' ? 'unknown' : feed.gfciSide };

/** What to heed of a receptacle that is to be a source; null where it is live at all times, both halves. */
export const sourceCaution = (source: TappedSource): { text: string; section: string } | null => {
  switch (source) {
    case 'live':
      return null;
    case 'unknown':
      return {
        text: 'Nobody has tested what it is. Before anything is taken off it, test both halves with every handle near it in both positions, and see whether a ground-fault device or a second breaker is behind it.',
        section: '',
      };
    case 'halfSwitched':
      return {
        text: 'One half goes off with a switch. Take the hot from the half that is always live, and test again that it is that one.',
        section: '',
      };
    case 'loadSide':
      return {
        text: 'What is taken off it goes dark when the ground-fault device ahead of it trips. Take it off the line side, or accept that and say so to the owner.',
        section: '210.8',
      };
    case 'multiwire':
      return {
        text: 'Its halves are on two breakers that share a neutral. Turn both off together, prove both halves dead, and splice the neutral so that taking the receptacle out does not open it.',
        section: '210.4(B), 300.13(B)',
      };
  }
};
