/** One plain line for the person who started the script. */
export function say(text: string): void {
  process.stdout.write(`${text}\n`);
}

/** Say what is wrong and what to do, and stop. */
export function giveUp(text: string): never {
  process.stderr.write(`${text}\n`);
  process.exit(1);
}
