/** How far each person's task is, as long as it runs. */
import type { Say } from './Say';

type Step = { readonly step: string; readonly share: number };

export class TaskProgress {
  private readonly steps = new Map<string, Step>();

  of(personId: string): Step | null {
    return this.steps.get(personId) ?? null;
  }

  async during<Answer>(personId: string, work: (say: Say) => Promise<Answer>): Promise<Answer> {
    try {
      return await work((step, share) => this.steps.set(personId, { step, share }));
    } finally {
      this.steps.delete(personId);
    }
  }
}
