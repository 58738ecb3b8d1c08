/**
 * Prints a line of progress.
 * @param {string} text
 */
export const say = (text) => console.log(`Key Fold: ${text}`);

/** Something the person can put right; its message says how. */
export class SetUpError extends Error {}

/**
 * Runs `main` and prints a SetUpError as its message alone.
 * @param {() => Promise<void>} main
 */
export async function runMain(main) {
  try {
    await main();
  } catch (error) {
    if (!(error instanceof SetUpError)) throw error;
    console.error(`Key Fold: ${error.message}`);
    process.exit(1);
  }
}
