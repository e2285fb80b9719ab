import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { root } from './lib/paths.mjs';
import { run, say } from './lib/say.mjs';

/** Platform packages carry theirs in the name: core-linux-arm-gnueabihf, oxide-win32-x64-msvc. */
const platformOf = (name) => {
  const words = name.split(/[-/]/);
  const os = words.filter((word) =>
    ['darwin', 'linux', 'win32', 'android', 'freebsd', 'openharmony'].includes(word),
  );
  const cpu = words.filter((word) =>
    ['arm', 'arm64', 'x64', 'ia32', 'ppc64', 's390x', 'loong64', 'riscv64', 'wasm32'].includes(word),
  );
  return { ...(os.length > 0 ? { os } : {}), ...(cpu.length > 0 ? { cpu } : {}) };
};

/**
 * npm leaves optional packages for other platforms out of the lock when the registry it asked does not serve them,
 * and then `npm ci` refuses the lock. This adds an entry for each, by name and version, and drops download addresses.
 */
await run(() => {
  const file = join(root, 'package-lock.json');
  const lock = JSON.parse(readFileSync(file, 'utf8'));
  const added = [];
  for (const entry of Object.values(lock.packages)) {
    if (!entry.link) delete entry.resolved;
    for (const [name, version] of Object.entries(entry.optionalDependencies ?? {})) {
      const key = `node_modules/${name}`;
      if (lock.packages[key] || !/^\d/.test(version)) continue;
      lock.packages[key] = { version, dev: true, optional: true, ...platformOf(name) };
      added.push(`${name}@${version}`);
    }
  }
  lock.packages = Object.fromEntries(
    Object.entries(lock.packages).sort(([a], [b]) => (a < b ? -1 : a > b ? 1 : 0)),
  );
  writeFileSync(file, `${JSON.stringify(lock, null, 2)}\n`);
  say(added.length > 0 ? `Added to the lock: ${added.join(', ')}` : 'The lock is complete.');
});
