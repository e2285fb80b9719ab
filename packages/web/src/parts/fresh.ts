/** An id for something that the user makes. */
export const fresh = <T extends string>(kind: string): T => `${kind}:${crypto.randomUUID().slice(0, 8)}` as T;
