import type { ErrorRequestHandler } from 'express';
import type { FileFault } from '@amber/core';
/** The one shape of an error: code for programs, message for people, path into what was sent. */
export interface Problem {
    code: string;
    message: string;
    path: string;
}
/** Thrown by a route; answered in the one shape. */
export declare class Refusal extends Error {
    readonly status: number;
    readonly problem: Problem;
    readonly more: object;
    constructor(status: number, code: string, message: string, path?: string, more?: object);
}
export declare const missing: (id: string) => Refusal;
/** A document that the core's schema refuses; all faults go along, the first one leads. */
export declare const badDocument: (faults: readonly FileFault[]) => Refusal;
export declare const answerProblems: ErrorRequestHandler;
