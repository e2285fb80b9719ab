import type { Plugin, Rolldown } from 'vite';

/** What is asked of the graph of modules while files are made of them. */
interface Graph {
  getModuleInfo: (id: string) => { importedIds: readonly string[] } | null;
}

const isOurs = (id: string): boolean => /[\\/]packages[\\/]web[\\/]src[\\/]/.test(id);

/** Modules of the pages that one of them needs before it shows anything. */
const neededBy = (root: string, graph: Graph): ReadonlySet<string> => {
  const met = new Set<string>();
  const open = [root];
  for (let id = open.pop(); id !== undefined; id = open.pop()) {
    if (met.has(id) || !isOurs(id)) continue;
    met.add(id);
    open.push(...(graph.getModuleInfo(id)?.importedIds ?? []));
  }
  return met;
};

/** So many of the screens and of what opens in them make it worth a file of its own that all of them load. */
const SHARED_BY = 4;
/** What most of them need of the core: to plan and to inspect. The list of jobs does not. */
const SHARED_BY_MOST = 10;
const LIBRARIES_OF_CONTROLS =
  /[\\/]node_modules[\\/](lucide-react|@headlessui|@react-aria|@floating-ui)[\\/]/;

/**
 * Which modules share a file. Left to itself the build makes some sixty of what one screen needs, most under a kilobyte, and over HTTP/1.1 each
 * waits for one of six connections. What the list of jobs needs never waits for what only an open job does.
 */
export const chunksOf = (at: (path: string) => string) => {
  const [list, job] = [at('src/screens/jobs/JobsScreen.tsx'), at('src/shell/JobShell.tsx')];
  const needs = new Map<string, ReadonlySet<string>>();
  const isNeededBy = (root: string, id: string, graph: Graph): boolean => {
    const known = needs.get(root) ?? neededBy(root, graph);
    needs.set(root, known);
    return known.has(id);
  };
  // What a file is made of does not bring the core modules that it uses along: those are shared otherwise.
  const includeDependenciesRecursively = false;
  return [
    { name: 'first', tags: ['$initial' as const], priority: 4 },
    {
      ...{ test: LIBRARIES_OF_CONTROLS, priority: 3, includeDependenciesRecursively },
      ...{ name: 'controls', minShareCount: 2 },
    },
    {
      ...{ test: /[\\/]node_modules[\\/]/, priority: 2, includeDependenciesRecursively },
      ...{ name: 'libraries', minShareCount: SHARED_BY },
    },
    {
      ...{ test: /[\\/]core[\\/]src[\\/](?!words[\\/])/, priority: 2, includeDependenciesRecursively },
      ...{ name: 'core', minShareCount: SHARED_BY_MOST },
    },
    {
      ...{ test: isOurs, priority: 1, includeDependenciesRecursively, debugName: 'list and job' },
      // What one alone needs stays with it, and what that needs alone: else two files would wait for each other.
      minShareCount: 2,
      name: (id: string, graph: Graph) =>
        isNeededBy(list, id, graph) ? 'list' : isNeededBy(job, id, graph) ? 'job' : null,
    },
    {
      ...{ test: isOurs, priority: 0, includeDependenciesRecursively },
      ...{ name: 'screens', minShareCount: SHARED_BY },
    },
  ];
};

/** A file with all that it needs, but for what is in `there` already. */
export const closureOf = (
  bundle: Rolldown.OutputBundle,
  file: string,
  there: ReadonlySet<string> = new Set(),
): string[] => {
  const met = new Set<string>();
  const visit = (name: string): void => {
    const chunk = bundle[name];
    if (met.has(name) || there.has(name) || chunk?.type !== 'chunk') return;
    met.add(name);
    chunk.imports.forEach(visit);
  };
  visit(file);
  return [...met];
};

/** Refuses files that need themselves by way of others: one of them would run before what it needs is there. */
export const noCircles: Plugin = {
  name: 'no-circles',
  apply: 'build',
  generateBundle(_, bundle) {
    for (const one of Object.values(bundle))
      if (one.type === 'chunk' && one.imports.some((next) => closureOf(bundle, next).includes(one.fileName)))
        this.error(`${one.fileName} needs itself by way of ${one.imports.join(', ')}.`);
  },
};
