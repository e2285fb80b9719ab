/** What a change is told with on the command line, beside its circuit and group. */
export interface ChangeWords {
  kind: string | undefined;
  /** The box of the switch or luminaire, or the one that something is taken off. */
  at: string | undefined;
  role: string | undefined;
  name: string | undefined;
  va: string | undefined;
  /** BOX=LENGTH, measured along the run to the new place; `lightRun` to the light where it comes with a switch. */
  run: readonly string[];
  lightRun: readonly string[];
}
