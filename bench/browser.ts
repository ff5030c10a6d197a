import { agendaRows } from './in-browser/agenda';
import { archivingRows } from './in-browser/archiving';
import { deviceRows } from './in-browser/devices';
import { folderRows } from './in-browser/folder';
import { ADDRESS, launch, serve } from './in-browser/desk';
import type { BenchRow } from './measure';
import { startRows } from './in-browser/start';
import { writingRows } from './in-browser/writing';

/** Rows that only the real browser can give. */
export async function browserRows(): Promise<BenchRow[]> {
  const server = serve();
  const browser = await launch();
  try {
    for (let attempt = 0; attempt < 50; attempt++) {
      const fine = await fetch(`${ADDRESS}/healthz`).then(
        (response) => response.ok,
        () => false,
      );
      if (fine) break;
      await new Promise((resolve) => setTimeout(resolve, 200));
    }
    const rows: BenchRow[] = [];
    for (const part of [startRows, writingRows, agendaRows, archivingRows, folderRows, deviceRows]) rows.push(...(await part(browser)));
    return rows;
  } finally {
    await browser.close();
    server.kill();
  }
}
