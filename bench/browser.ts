import { agendaRows } from './agenda';
import { archivingRows } from './archiving';
import { folderRows } from './folder';
import { ADDRESS, launch, serve } from './desk';
import type { BenchRow } from './measure';
import { startRows } from './start';
import { writingRows } from './writing';

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
    for (const part of [startRows, writingRows, agendaRows, archivingRows, folderRows]) rows.push(...(await part(browser)));
    return rows;
  } finally {
    await browser.close();
    server.kill();
  }
}
