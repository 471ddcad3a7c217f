import { reactive } from 'vue';
import { listBook } from '../workers/bookBridge.ts';

interface Notes {
  question: string;
  sources: readonly string[];
  cautions: readonly string[];
}

/** Question, sources and cautions of a calculation as the catalogue has them; filled in as soon as the worker has told. */
export function calculationNotes(id: string): Notes {
  const notes = reactive<Notes>({ question: '', sources: [], cautions: [] });
  void listBook().then((all) => {
    const entry = all.find((candidate) => candidate.id === id);
    if (entry) Object.assign(notes, { question: entry.question, sources: entry.sources, cautions: entry.cautions });
  });
  return notes;
}
