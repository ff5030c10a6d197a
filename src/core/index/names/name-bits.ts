import { nameBit } from '../../gather/answer/sieve';
import { foldName, tagWithUppers } from '../../note/names/names';
import { remembered } from '../../note/facts/remembered';
import type { Task } from '../../task/line/task';
import type { Around } from '../../task/line/task-line';

const tagBit = remembered((tag) => tagWithUppers(tag).reduce((bits, level) => bits | nameBit(level), 0));
const personBit = remembered((person) => nameBit(foldName(person)));

/** Bits of tags and of the levels above them, by `nameBit`. */
export function tagBits(tags: readonly string[]): number {
  let bits = 0;
  for (const tag of tags) bits |= tagBit(tag);
  return bits;
}

function peopleBits(people: readonly string[]): number {
  let bits = 0;
  for (const person of people) bits |= personBit(person);
  return bits;
}

/** Bits of the people that a task names, and of who owns or asked for it. */
export function ownPeopleBits({ people, owner, asked }: Task): number {
  let bits = people.length === 0 ? 0 : peopleBits(people);
  if (owner !== null && owner !== 'nobody') bits |= personBit(owner);
  if (asked !== null) bits |= personBit(asked);
  return bits;
}

/** Bits of the names that places hand down. Tasks that stand together share a place, so that its bits are found once. */
export class AroundBits {
  private last: Around | null = null;
  private tags = 0;
  private people = 0;

  tagBits(around: Around): number {
    this.settle(around);
    return this.tags;
  }

  peopleBits(around: Around): number {
    this.settle(around);
    return this.people;
  }

  private settle(around: Around): void {
    if (this.last === around) return;
    this.last = around;
    this.tags = tagBits(around.tags);
    this.people = peopleBits(around.people);
  }
}
