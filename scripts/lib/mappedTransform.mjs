import { existsSync, readFileSync } from 'node:fs';

/** A file as it is, with the map that lies beside it: what fails there is told by the lines of its sources. */
export default {
  process: (code, file) => {
    const map = `${file}.map`;
    return { code, map: existsSync(map) ? readFileSync(map, 'utf8') : null };
  },
};
