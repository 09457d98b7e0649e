/**
 * Asks the person for their password where the server wants it again. Every call may come here; one question at a time is on
 * the screen, and its answer is for all that wait.
 */
type Answer = (given: boolean) => void;

let waiting: readonly Answer[] = [];
const listeners = new Set<() => void>();

export function isPasswordAsked(): boolean {
  return waiting.length > 0;
}

export function subscribeToPasswordAsked(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** @returns whether it was given and right; at once false where no screen can ask */
export function askPassword(): Promise<boolean> {
  if (listeners.size === 0) return Promise.resolve(false);
  return new Promise((resolve) => {
    waiting = [...waiting, resolve];
    tell();
  });
}

export function answerPasswordAsked(given: boolean): void {
  const answers = waiting;
  waiting = [];
  for (const answer of answers) answer(given);
  tell();
}

function tell(): void {
  for (const listener of listeners) listener();
}
