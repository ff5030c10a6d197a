import * as encoding from 'lib0/encoding';
import { mkdtempSync } from 'node:fs';
import { connect } from 'node:net';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { WebSocket } from 'ws';
import * as Y from 'yjs';
import { LENT_LARGEST, LENT_SOCKET } from '../../src/core/sharing/lend/lent-messages';
import { Lending } from './lending';
import { LevelStore } from './level-store';
import { type LendingServer, type Lent, lendingServer, secretMade, until } from './test-lending';

/** The kinds of messages, as Hocuspocus 3.4 counts them (`MessageType`), and the steps of y-protocols 1.0 (`sync.js`). */
const SYNC = 0;
const AWARENESS = 1;
const AUTH = 2;
const STATELESS = 5;
const BROADCAST = 6;
const UPDATE = 2;
const STEP_2 = 1;

let here: LendingServer;
let lending: Lending;
beforeAll(async () => {
  const data = mkdtempSync(path.join(tmpdir(), 'recado-hostile-'));
  lending = new Lending(await LevelStore.open(path.join(data, 'lent')));
  const limits = { most: 60, ofOne: 50, perSecond: 100, atOnce: 300, patience: 400 };
  here = await lendingServer(() => Promise.resolve(lending), data, limits);
});
afterAll(() => here.close());

/** Somebody who speaks the protocol by hand. */
class ByHand {
  readonly received: Buffer[] = [];
  closed = false;
  private constructor(readonly socket: WebSocket) {
    socket.on('message', (data: Buffer) => this.received.push(data));
    socket.on('close', () => (this.closed = true));
    socket.on('error', () => undefined);
  }

  static async open(headers: Record<string, string> = { origin: here.base }): Promise<ByHand> {
    const socket = new WebSocket(here.base.replace('http', 'ws') + LENT_SOCKET, { headers });
    const one = new ByHand(socket);
    await new Promise<void>((resolve) => {
      socket.once('open', () => resolve());
      socket.once('close', () => resolve());
    });
    return one;
  }

  send(name: string, type: number, write: (encoder: encoding.Encoder) => void): void {
    const encoder = encoding.createEncoder();
    encoding.writeVarString(encoder, name);
    encoding.writeVarUint(encoder, type);
    write(encoder);
    if (this.socket.readyState === WebSocket.OPEN) this.socket.send(encoding.toUint8Array(encoder));
  }

  async letIn({ name, address }: Lent): Promise<void> {
    this.send(name, AUTH, (encoder) => {
      encoding.writeVarUint(encoder, 0);
      encoding.writeVarString(encoder, JSON.stringify({ address }));
    });
    await until(() => this.received.length > 0);
  }
}

const updateOf = (words: string): Uint8Array => {
  const doc = new Y.Doc();
  doc.getText('text').insert(0, words);
  return Y.encodeStateAsUpdate(doc);
};

async function lent(words: string, rights: 'read' | 'write' | 'tick') {
  const one = await here.lend({ rights });
  const owner = here.join(one, { key: one.key });
  await owner.synced;
  owner.text.insert(0, words);
  return { one, owner };
}

const settled = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, 80));

describe('a reader who speaks the protocol by hand', () => {
  it.each([
    ['a change', SYNC, UPDATE],
    ['the second step of a sync', SYNC, STEP_2],
    ['the same as an answer', 4, STEP_2],
  ])('writes nothing by %s', async (_, type, step) => {
    const { one, owner } = await lent('mine', 'read');
    const reader = await ByHand.open();
    await reader.letIn(one);
    reader.send(one.name, type, (encoder) => {
      encoding.writeVarUint(encoder, step);
      encoding.writeVarUint8Array(encoder, updateOf('theirs'));
    });
    await settled();
    expect(owner.text.toString()).toBe('mine');
    expect(lending.hub.documents.get(one.name)?.getText('text').toString()).toBe('mine');
  });

  it('says nothing to all others: they would take it for words of the server', async () => {
    const { one, owner } = await lent('mine', 'write');
    const reader = await ByHand.open();
    await reader.letIn(one);
    reader.send(one.name, BROADCAST, (encoder) => encoding.writeVarString(encoder, '{"kept":99}'));
    await until(() => reader.received.length > 1);
    await settled();
    expect(owner.told).toEqual([]);
  });

  it('shows no more of itself than a name and a cursor', async () => {
    const { one, owner } = await lent('mine', 'read');
    const reader = await ByHand.open();
    await reader.letIn(one);
    reader.send(one.name, AWARENESS, (encoder) => encoding.writeVarUint8Array(encoder, new Uint8Array(5000)));
    await settled();
    expect(owner.provider.awareness?.getStates().size).toBe(1);
  });
});

describe('whoever was not let in', () => {
  it('hears nothing of a text, whatever they send before', async () => {
    const { one } = await lent('mine', 'write');
    const stranger = await ByHand.open();
    stranger.send(one.name, SYNC, (encoder) => {
      encoding.writeVarUint(encoder, 0);
      encoding.writeVarUint8Array(encoder, Y.encodeStateVector(new Y.Doc()));
    });
    stranger.send(one.name, STATELESS, (encoder) => encoding.writeVarString(encoder, '{"mark":1}'));
    await until(() => stranger.closed);
    expect(Buffer.concat(stranger.received).toString()).not.toContain('mine');
  });

  it('from another page, or from none, gets no socket', async () => {
    for (const headers of [{ origin: 'https://elsewhere.example' }, { origin: 'null' }, {}] as Record<string, string>[]) {
      const one = await ByHand.open(headers);
      expect([headers, one.closed]).toEqual([headers, true]);
    }
  });

  it.each(['__proto__', 'constructor', '../../etc/passwd', 'x'.repeat(5000), ''])('by the name %j reaches nothing', async (name) => {
    const one = await ByHand.open();
    one.send(name, AUTH, (encoder) => {
      encoding.writeVarUint(encoder, 0);
      encoding.writeVarString(encoder, JSON.stringify({ address: secretMade() }));
    });
    await until(() => one.closed);
    expect(lending.hub.documents.has(name)).toBe(false);
    expect((await fetch(`${here.base}/healthz`)).status).toBe(200);
  });

  it('with rubbish is put out, and the server goes on', async () => {
    const { one, owner } = await lent('mine', 'write');
    for (const bytes of [
      new Uint8Array(0),
      new Uint8Array([255, 255, 255, 255, 255]),
      new Uint8Array(1000).fill(7),
      Buffer.from('words'),
    ]) {
      const stranger = await ByHand.open();
      stranger.socket.send(bytes);
      await until(() => stranger.closed);
      const member = await ByHand.open();
      await member.letIn(one);
      member.send(one.name, SYNC, (encoder) => {
        encoding.writeVarUint(encoder, UPDATE);
        encoding.writeVarUint8Array(encoder, bytes);
      });
    }
    await settled();
    owner.text.insert(4, '!');
    await until(() => lending.hub.documents.get(one.name)?.getText('text').toString() === 'mine!');
  });

  it('in crowds gets no more sockets than there are, and those who leave make room', async () => {
    const before = 60;
    const all = await Promise.all(Array.from({ length: before }, () => ByHand.open()));
    expect(all.some(({ closed }) => closed)).toBe(true);
    for (const { socket } of all) socket.terminate();
    await settled();
    const one = await ByHand.open();
    expect(one.closed).toBe(false);
    one.socket.terminate();
  });

  it('that sends without end is put out', async () => {
    const { one } = await lent('mine', 'write');
    const member = await ByHand.open();
    await member.letIn(one);
    for (let count = 0; count < 400; count++) member.send(one.name, STATELESS, (encoder) => encoding.writeVarString(encoder, '{"mark":1}'));
    await until(() => member.closed);
  });

  it('asks for no other socket of this server', async () => {
    const { port } = new URL(here.base);
    const answer = await new Promise<string>((resolve) => {
      const socket = connect(Number(port), '127.0.0.1', () =>
        socket.write('GET /other HTTP/1.1\r\nHost: x\r\nConnection: Upgrade\r\nUpgrade: websocket\r\n\r\n'),
      );
      socket.once('data', (data) => resolve(data.toString()));
    });
    expect(answer).toMatch(/^HTTP\/1\.1 404 /);
  });
});

describe('a text that is blown up', () => {
  it('is refused at its limit, and can be made shorter', async () => {
    const { one, owner } = await lent('a'.repeat(LENT_LARGEST - 100), 'write');
    await until(() => lending.hub.documents.get(one.name)?.getText('text').length === LENT_LARGEST - 100);
    const lars = here.join(one, { address: one.address });
    await lars.synced;
    lars.text.insert(0, 'b'.repeat(5000));
    await until(() => lars.told.includes('{"full":true}'));
    expect(owner.text.length).toBe(LENT_LARGEST - 100);
    const noor = here.join(one, { address: one.address });
    await noor.synced;
    noor.text.delete(0, 5000);
    await until(() => owner.text.length === LENT_LARGEST - 5100);
  });

  it('by what is no text is refused, too', async () => {
    const { one, owner } = await lent('mine', 'write');
    const lars = here.join(one, { address: one.address });
    await lars.synced;
    for (let count = 0; count < 12; count++) lars.doc.getMap('junk').set(`${count}`, 'x'.repeat(900_000));
    await until(() => lars.told.includes('{"full":true}'));
    owner.text.insert(4, '!');
    await until(() => lending.hub.documents.get(one.name)?.getText('text').toString() === 'mine!');
  });

  it('by one message that is too long closes the socket', async () => {
    const { one } = await lent('mine', 'write');
    const member = await ByHand.open();
    await member.letIn(one);
    member.send(one.name, SYNC, (encoder) => {
      encoding.writeVarUint(encoder, UPDATE);
      encoding.writeVarUint8Array(encoder, new Uint8Array(2 * LENT_LARGEST));
    });
    await until(() => member.closed);
  });
});

describe('requests of owners', () => {
  it.each([
    ['nothing', '', 404],
    ['a wish that is none', '{"rights":"own","until":null}', 400],
    ['more than is asked', '{"rights":"read","until":null,"name":"x"}', 400],
    ['a date that is none', '{"rights":"read","until":"soon"}', 400],
    ['no JSON', '{', 400],
    ['too much', `{"rights":"read","until":null,"word":"${'x'.repeat(5000)}"}`, 413],
  ])('with %s are refused', async (_, body, status) => {
    const response = await fetch(`${here.base}/lending/${'a'.repeat(64)}`, {
      method: 'PUT',
      headers: { 'content-type': 'application/json', ...(status !== 404 && { 'recado-key': secretMade() }) },
      ...(body !== '' && { body }),
    });
    expect(response.status).toBe(status);
  });

  it.each(['..%2F..%2Fetc', 'A'.repeat(64), 'a'.repeat(63), '%00'])('for %s are answered like those for nothing', async (name) => {
    const response = await fetch(`${here.base}/lending/${name}`, { headers: { 'recado-key': secretMade() } });
    expect(response.status).toBe(404);
  });
});
