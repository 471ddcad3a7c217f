/** Answers kept at most. */
const MOST = 500;

/**
 * What is worked out from a vehicle, kept until anything of it changes: by its revision, the
 * body it stands on, and the day, on which it depends what is late. Several who ask at once
 * wait for the same answer.
 */
export class KeptByRevision<V extends { id: string; revision: number; plan: object }, Answer> {
  private readonly kept = new Map<string, { revision: number; plan: object; day: string; answer: Promise<Answer> }>();

  get(vehicle: V, day: string, compute: () => Promise<Answer>): Promise<Answer> {
    const { id, revision, plan } = vehicle;
    const known = this.kept.get(id);
    if (known && known.revision === revision && known.plan === plan && known.day === day) return known.answer;
    const entry = { revision, plan, day, answer: compute() };
    this.kept.delete(id);
    this.kept.set(id, entry);
    if (this.kept.size > MOST) this.kept.delete(this.kept.keys().next().value!);
    entry.answer.catch(() => this.kept.get(id) === entry && this.kept.delete(id));
    return entry.answer;
  }
}
