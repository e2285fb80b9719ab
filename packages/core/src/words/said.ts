/** A finding or a refusal in words, where and what apart: several that differ in their place alone are told once. */
export interface Said {
  /** The place, as it stands before the colon; left out where the sentence names it itself. */
  where?: string;
  what: string;
  reason: string;
  remedy: string;
}

/** "Yard door: 2 wires under one screw": a sentence, though it may begin with the name of a place. */
export const titleOf = ({ where, what }: Pick<Said, 'where' | 'what'>): string => {
  const text = where === undefined ? what : `${where}: ${what}`;
  return text.charAt(0).toUpperCase() + text.slice(1);
};
