import { spawn } from 'node:child_process';
import { mkdirSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { needCompiled, needPackages } from './lib/needs.mjs';
import { root } from './lib/paths.mjs';
import { runShown } from './lib/process.mjs';
import { run, say, Stop } from './lib/say.mjs';

const bin = (path) => join(root, 'node_modules', path);

/** Runs a program of ours with what it says shown; gives its exit code. */
const shown = (file) =>
  new Promise((resolve) => {
    const child = spawn('node', [file], { cwd: root, stdio: 'inherit' });
    child.on('error', () => resolve(1));
    child.on('close', (code) => resolve(code ?? 1));
  });

/** One check is one test: it passes or fails as a whole. Each uses one core, so two run at once and tell what they said when they end. */
const check = (name, args) =>
  new Promise((resolve) => {
    const child = spawn('node', args, { cwd: root, stdio: ['ignore', 'pipe', 'pipe'] });
    let text = '';
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (piece) => (text += piece));
    const ended = (passed) => {
      say(`\n== ${name}`);
      if (text) say(text.trimEnd());
      resolve({ name, passed: passed ? 1 : 0, failed: passed ? 0 : 1 });
    };
    child.on('error', (error) => {
      text += error.message;
      ended(false);
    });
    child.on('close', (code) => ended(code === 0));
  });

/** Reads a report that a test program wrote; without one it failed as a whole. */
const reported = (name, file, read) => {
  try {
    return { name, ...read(JSON.parse(readFileSync(file, 'utf8'))) };
  } catch (error) {
    say(`${name} left no report: ${error.message}`);
    return { name, passed: 0, failed: 1 };
  }
};

/** Some of the projects of the unit tests, on so many cores; what it says is kept until its end, or shown as it comes. */
const jest = (name, folder, projects, cores, isKept) =>
  new Promise((resolve) => {
    const file = join(folder, `${projects[0]}.json`);
    const env = {
      ...process.env,
      NODE_OPTIONS: '--experimental-vm-modules --disable-warning=ExperimentalWarning',
      TESTS_IN_GROUPS: 'yes',
    };
    const args = [bin('jest/bin/jest.js'), '--selectProjects', ...projects];
    const options = [`--maxWorkers=${cores}`, '--json', `--outputFile=${file}`];
    if (!isKept) say(`\n== ${name}`);
    const child = spawn('node', [...args, ...options], {
      cwd: root,
      env,
      stdio: ['ignore', 'ignore', isKept ? 'pipe' : 'inherit'],
    });
    let text = '';
    child.stderr?.on('data', (piece) => (text += piece));
    const ended = (code) => {
      if (isKept) say(`\n== ${name}\n${text.trimEnd()}`);
      resolve(
        reported(name, file, (report) => ({
          passed: report.numPassedTests,
          // A suite that could not run has no tests of its own to count.
          failed:
            report.numFailedTests + report.numRuntimeErrorTestSuites + (code !== 0 && report.success ? 1 : 0),
        })),
      );
    };
    child.on('error', (error) => {
      text += error.message;
      ended(null);
    });
    child.on('close', ended);
  });

const playwright = (folder) => {
  say('\n== Browser tests');
  const file = join(folder, 'playwright.json');
  const env = { ...process.env, PLAYWRIGHT_JSON_OUTPUT_NAME: file };
  const args = [bin('@playwright/test/cli.js'), 'test', '--reporter=list,json'];
  const code = runShown('node', args, { env });
  return reported('Browser tests', file, ({ stats, errors }) => ({
    passed: stats.expected + stats.flaky,
    failed: stats.unexpected + errors.length + (code !== 0 && stats.unexpected + errors.length === 0 ? 1 : 0),
  }));
};

await run(async () => {
  // Both wait for what comes over the net more than for a core.
  const debian = shown(join(root, 'scripts/lib/debianForTests.mjs'));
  needPackages();
  if ((await debian) !== 0)
    throw new Stop('The tests want packages of Debian.', 'Read what is said of them above.');
  mkdirSync(join(root, '.cache'), { recursive: true });
  const folder = mkdtempSync(join(tmpdir(), 'amber-reports-'));
  needCompiled();
  const besides = async () => {
    const build = await check('Build', [join(root, 'scripts/build.mjs')]);
    if (build.failed > 0) throw new Stop('The build failed.', 'Read what the compiler said above.');
    const read = async () => [
      await check('Formatting', [bin('prettier/bin/prettier.cjs'), '--check', '.', '--log-level', 'warn']),
      await check('Types', [bin('tsc7/bin/tsc'), '-b', '--builders', '1']),
    ];
    // Those of the scripts wait for servers that start and end: the cores have time for the others.
    return [
      build,
      ...(await Promise.all([read(), jest('Tests of the scripts', folder, ['house'], 1, true)])),
    ];
  };
  // To lint takes one core about as long as all these take the other; what is compiled is all that it reads.
  const eslint = [bin('eslint/bin/eslint.js'), '.', '--cache', '--cache-location', '.cache/eslint'];
  const checks = await Promise.all([besides(), check('Lint', [...eslint, '--max-warnings', '0'])]);
  const projects = ['core', 'server', 'packet', 'cli', 'web', 'pages'];
  const results = [
    ...checks.flat(2),
    await jest('Unit tests', folder, projects, 2, false),
    playwright(folder),
  ];
  rmSync(folder, { recursive: true });
  say('');
  for (const { name, passed, failed } of results)
    say(`${failed > 0 ? 'FAILED' : 'passed'}  ${name}: ${passed} passed, ${failed} failed`);
  const sum = (key) => results.reduce((total, one) => total + one[key], 0);
  if (sum('failed') > 0) process.exitCode = 1;
  say(`\n${sum('passed')} passed, ${sum('failed')} failed`);
});
