/** The stages of the work inside a job. */
export type View = 'layout' | 'runs' | 'bench';
