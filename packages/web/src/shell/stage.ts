/** The stages of the work inside a job. */
export type Stage = 'layout' | 'runs' | 'bench';
