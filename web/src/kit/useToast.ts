import { useMessage } from 'naive-ui';

/** A short word that something has been done; it goes by itself. */
export function useToast(): { done: (text: string) => void; failed: (text: string) => void } {
  const message = useMessage();
  return { done: (text) => void message.success(text), failed: (text) => void message.error(text) };
}
