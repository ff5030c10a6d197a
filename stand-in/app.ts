import express, { type Express, type Request, type Response } from 'express';
import { timingSafeEqual } from 'node:crypto';
import * as z from 'zod';
import { davRoutes } from './dav-routes';
import { FAULTS, Faults } from './faults';
import { listPage } from './list-page';
import { TaskFiles, newTaskName } from './task-files';
import { changedTask, newTask } from './task-text';

const TASK = z.object({
  words: z.string().max(2000),
  due: z.union([z.literal(''), z.string().regex(/^\d{4}-\d\d-\d\d(?:T\d\d:\d\d(?::\d\d)?)?$/)]),
  priority: z.coerce.number().int().min(0).max(9),
  labels: z.string().max(500),
  done: z.literal('yes').optional(),
  list: z.string(),
  remove: z.literal('yes').optional(),
});
const FAULT = z.object({ fault: z.enum(FAULTS as [string, ...string[]]), count: z.coerce.number().int().min(1).max(1000) });

/**
 * A stand-in of an outside task service: lists and tasks by CalDAV for programs, a page for people, and faults on demand.
 *
 * @param folder where its lists are kept, as files
 * @param key what programs must know; the name before it does not matter
 */
export function makeStandIn(
  folder: string,
  key: string,
  now: () => Date = () => new Date(),
): { app: Express; files: TaskFiles; faults: Faults } {
  const files = new TaskFiles(folder);
  const faults = new Faults();
  if (files.lists().length === 0) {
    files.makeList('tasks', 'Tasks');
    files.makeList('team', 'Team');
  }
  const app = express();
  app.disable('x-powered-by');
  app.use(['/dav', '/.well-known/caldav'], faults.handler, (request, response, next) => {
    if (isKnown(request.get('authorization') ?? '', key)) return next();
    response.status(401).set('WWW-Authenticate', 'Basic realm="Outside"').send('Say who you are.\n');
  });
  app.use(davRoutes(files));
  const form = express.urlencoded({ extended: false, limit: '20kb' });
  const back = (response: Response): void => response.redirect(303, '/');
  // Another page must not press what stands here.
  app.post(/.*/, (request: Request, response: Response, next) => {
    const from = request.get('origin');
    if (from !== undefined && from !== 'null' && new URL(from).host !== request.get('host')) return void response.status(403).end();
    next();
  });
  app.get('/', (_request, response) => {
    response.set('Content-Security-Policy', "default-src 'none'; style-src 'unsafe-inline'; form-action 'self'; frame-ancestors 'none'");
    response.type('html').send(listPage(files, faults, key));
  });
  app.post('/lists', form, (request, response) => {
    const title = z.object({ title: z.string().min(1).max(100) }).parse(request.body).title;
    files.makeList(
      title
        .toLowerCase()
        .replace(/[^a-z0-9]+/g, '-')
        .replace(/^-+|-+$/g, '') || 'list',
      title,
    );
    back(response);
  });
  app.post('/tasks/:list', form, (request, response) => {
    const { words } = z.object({ words: z.string().min(1).max(2000) }).parse(request.body);
    const name = newTaskName();
    if (files.has(request.params.list)) files.write(request.params.list, name, newTask(name.replace('.ics', ''), words, now()), null);
    back(response);
  });
  app.post('/tasks/:list/:name', form, (request, response) => {
    const { list, name } = request.params;
    const given = TASK.parse(request.body);
    const file = files.has(list) ? files.read(list, name) : null;
    if (!file) return back(response);
    if (given.remove) files.remove(list, name, undefined);
    else {
      const labels = given.labels.split(',').map((one) => one.trim());
      const change = { ...given, done: given.done === 'yes', labels: labels.filter((one) => one !== '') };
      files.write(list, name, changedTask(file.text, change, now()), undefined);
      if (given.list !== list) files.move(list, name, given.list);
    }
    back(response);
  });
  app.post('/faults', form, (request, response) => {
    const { fault, count } = FAULT.parse(request.body);
    faults.ask(fault as (typeof FAULTS)[number], count);
    back(response);
  });
  app.post('/faults/clear', (_request, response) => {
    faults.clear();
    back(response);
  });
  app.post('/marks/forget', (_request, response) => {
    for (const { id } of files.lists()) files.forgetMarks(id);
    back(response);
  });
  app.use((_request: Request, response: Response) => void response.status(404).type('text/plain').send('There is nothing here.\n'));
  app.use((error: { status?: unknown }, _request: Request, response: Response, next: (error: unknown) => void) => {
    if (response.headersSent) return next(error);
    const status = error instanceof z.ZodError ? 400 : typeof error.status === 'number' ? error.status : 500;
    response.status(status).type('text/plain').send('This could not be done.\n');
  });
  return { app, files, faults };
}

function isKnown(header: string, key: string): boolean {
  const given = Buffer.from(
    Buffer.from(/^Basic (.+)$/.exec(header)?.[1] ?? '', 'base64')
      .toString()
      .replace(/^[^:]*:/, ''),
  );
  const wanted = Buffer.from(key);
  return given.length === wanted.length && timingSafeEqual(given, wanted);
}
