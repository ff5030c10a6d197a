import { expect, test } from '@playwright/test';
import { runLeavingModel } from '../models/leaving-model';
import { runTabsModel } from '../models/tabs-model';

test('two tabs that write in one note at once, with ticks, renames, deletions and reloads, lose no word and come to be equal', async ({
  context,
}) => {
  await runTabsModel(context, { tabs: 2, seconds: 15, least: 25, seed: 20261127, otherwise: 0.2 });
});

test('a page that is left within a moment of the last key, by reload, by closing, by another address, by a crash, loses no word', async ({
  context,
}) => {
  expect(await runLeavingModel(context, 8, 20261127)).toBe(8);
});
