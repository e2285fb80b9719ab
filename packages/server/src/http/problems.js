/** Thrown by a route; answered in the one shape. */
export class Refusal extends Error {
    status;
    problem;
    more;
    constructor(status, code, message, path = '', more = {}) {
        super(message);
        this.status = status;
        this.problem = { code, message, path };
        this.more = more;
    }
}
export const missing = (id) => new Refusal(404, 'missing', `There is no job "${id}".`, 'id');
/** A document that the core's schema refuses; all faults go along, the first one leads. */
export const badDocument = (faults) => {
    const [first] = faults;
    return new Refusal(422, 'bad-job', first?.message ?? 'The job file is not valid.', first?.path ?? '', {
        faults,
    });
};
const send = (response, status, problem, more = {}) => void response.status(status).json({ ...problem, ...more });
/** The database is away or refuses connections; nothing was stored. */
const isDatabaseDown = (error) => {
    const code = error.driverError?.code ??
        error.code;
    return ['ECONNREFUSED', 'ECONNRESET', 'PROTOCOL_CONNECTION_LOST', 'ETIMEDOUT', 'EPIPE'].includes(code ?? '');
};
/** The database says so in several ways: by name, or by the number that the system gave it. */
const isDiskFull = (error) => {
    const { code, sqlMessage } = error.driverError ?? {};
    return (['ER_DISK_FULL', 'ER_RECORD_FILE_FULL'].includes(code ?? '') ||
        /No space left|[Ee]rrno:? 28\b/.test(sqlMessage ?? ''));
};
export const answerProblems = (error, _request, response, next) => {
    if (response.headersSent)
        return next(error);
    if (error instanceof Refusal)
        return send(response, error.status, error.problem, error.more);
    const type = error.type;
    if (type === 'entity.too.large')
        return send(response, 413, { code: 'too-large', message: 'The job is larger than 2 MB.', path: '' });
    if (type === 'entity.parse.failed')
        return send(response, 400, {
            code: 'not-json',
            message: `This is not JSON: ${error.message}`,
            path: '',
        });
    if (isDatabaseDown(error))
        return send(response, 503, {
            code: 'database-down',
            message: 'The database does not answer. Nothing was stored.',
            path: '',
        });
    if (isDiskFull(error))
        return send(response, 507, {
            code: 'disk-full',
            message: 'The disk of the database is full. Nothing was stored.',
            path: '',
        });
    console.error(error);
    send(response, 500, {
        code: 'internal',
        message: 'The server met an error it did not expect. Nothing was stored.',
        path: '',
    });
};
//# sourceMappingURL=problems.js.map