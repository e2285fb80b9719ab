/** First strong isolate, and its end: what stands between them cannot turn what stands around it. */
const ISOLATE = '\u2068';
const END = '\u2069';

/** Signs of direction, and letters that are written from right to left. */
const TURNS = /[\u061C\u200E\u200F\u202A-\u202E\u2066-\u2069\u0590-\u08FF\uFB1D-\uFDFF\uFE70-\uFEFF]/;

/** Isolates that are not ended are, and ends of none are left out. */
const balanced = (text: string): string => {
  let open = 0;
  let kept = '';
  for (const sign of text) {
    if (sign >= '\u2066' && sign <= '\u2068') open += 1;
    if (sign === END) {
      if (open === 0) continue;
      open -= 1;
    }
    kept += sign;
  }
  return kept + END.repeat(open);
};

/** A name as it is typed: without the isolate around it. */
export const plainName = (name: string): string => {
  const inner = name.startsWith(ISOLATE) && name.endsWith(END) ? name.slice(1, -1) : name;
  return balanced(inner) === inner ? inner : name;
};

/**
 * A name that may stand in any sentence: signs of direction in it, and letters that run from right to left, turn nothing but the
 * name itself. A caution beside a name would read backwards otherwise. Others come back as they are, and so does what was isolated
 * before.
 */
export const isolated = (name: string): string => {
  if (!TURNS.test(name)) return name;
  return `${ISOLATE}${balanced(plainName(name))}${END}`;
};
