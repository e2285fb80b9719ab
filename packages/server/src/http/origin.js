import { Refusal } from './problems.js';
/** Names under which a page of this machine may reach the server. */
const LOOPBACK = new Set(['localhost', '127.0.0.1', '[::1]']);
const nameOf = (host) => host.replace(/:\d+$/, '').toLowerCase();
/**
 * Host and Origin are checked, so that a page from elsewhere cannot reach a server on loopback through the browser,
 * neither by a foreign form nor by a name that was pointed at 127.0.0.1. `allowed` names further hosts.
 */
export const checkOrigin = (allowed) => {
    const known = (name) => LOOPBACK.has(name) || allowed.includes(name);
    return (request, _response, next) => {
        const { host, origin } = request.headers;
        if (!host || !known(nameOf(host)))
            throw new Refusal(403, 'foreign-host', `This server does not answer to the name "${host ?? ''}".`, 'host');
        if (origin !== undefined && !(URL.canParse(origin) && known(new URL(origin).hostname)))
            throw new Refusal(403, 'foreign-origin', 'A page from elsewhere may not use this server.', 'origin');
        next();
    };
};
//# sourceMappingURL=origin.js.map