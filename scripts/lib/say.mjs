/** An expected failure: what is wrong and the way out, for people. Ends the program without a stack. */
export class Stop extends Error {
  constructor(problem, wayOut) {
    super(`${problem}\n  ${wayOut}`);
  }
}

export const say = (text) => process.stdout.write(`${text}\n`);

/** Runs a script's main function; an expected failure is printed plainly, anything else with its stack. */
export const run = async (main) => {
  try {
    await main();
  } catch (error) {
    process.stderr.write(error instanceof Stop ? `\n${error.message}\n` : `${error.stack}\n`);
    process.exitCode = 1;
  }
};
