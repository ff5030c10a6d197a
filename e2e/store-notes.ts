import type { Page } from '@playwright/test';

/** Puts notes into the database as they are; the page must be opened anew to see them. */
export function store(page: Page, notes: Readonly<Record<string, string>>): Promise<void> {
  return page.evaluate(
    (all) =>
      new Promise<void>((resolve, reject) => {
        const request = indexedDB.open('recado');
        request.onerror = () => reject(new Error('the database does not open'));
        request.onsuccess = () => {
          const transaction = request.result.transaction('notes', 'readwrite');
          for (const [path, text] of all)
            transaction.objectStore('notes').put({ key: path.toLowerCase(), path, text, bytes: null, changed: 0, demo: null });
          transaction.oncomplete = () => resolve();
        };
      }),
    Object.entries(notes),
  );
}
