/** Asks a question in the terminal; only a typed "yes" is one. */
import { createInterface } from 'node:readline/promises';

export async function isSure(question) {
  const prompt = createInterface({ input: process.stdin, output: process.stdout });
  const answer = await prompt.question(question);
  prompt.close();
  return answer.trim().toLowerCase() === 'yes';
}
