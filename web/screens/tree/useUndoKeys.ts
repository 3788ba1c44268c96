import { useEffect } from 'react';

/** Ctrl+Z and Ctrl+Shift+Z (or Y) outside a field that has its own undo. */
export function useUndoKeys(undo: () => void, redo: () => void): void {
  useEffect(() => {
    const key = (event: KeyboardEvent) => {
      if (!(event.ctrlKey || event.metaKey) || event.altKey) return;
      const name = event.key.toLowerCase();
      if (name !== 'z' && name !== 'y') return;
      if (event.target instanceof HTMLTextAreaElement) return;
      event.preventDefault();
      if (event.target instanceof HTMLInputElement) event.target.blur();
      if (name === 'y' || event.shiftKey) redo();
      else undo();
    };
    window.addEventListener('keydown', key);
    return () => window.removeEventListener('keydown', key);
  }, [undo, redo]);
}
