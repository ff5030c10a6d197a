import { type Desk, expect } from '../desk';

/** Goes to a note, and seals it from its menu. */
export async function sealNote(desk: Desk, path: string, passphrase: string): Promise<void> {
  await desk.page.goto(`/note/${path}`);
  await expect(desk.text).toBeVisible();
  await expect(await askedToSeal(desk, passphrase)).toBeHidden();
}

/** Asks for the note that is shown to be sealed; gives the dialog, which is gone where that was done. */
export async function askedToSeal({ page }: Desk, passphrase: string) {
  await page.getByRole('button', { name: 'Actions for this note' }).click();
  await page.getByRole('menuitem', { name: 'Seal…' }).click();
  const dialog = page.getByRole('dialog', { name: 'Seal a note' });
  await dialog.getByLabel('Passphrase', { exact: true }).fill(passphrase);
  await dialog.getByLabel('Once more').fill(passphrase);
  await dialog.getByRole('button', { name: 'Seal', exact: true }).click();
  return dialog;
}
