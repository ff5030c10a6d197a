import { ContainerStack } from './container-stack';
import type { Item } from './structure';

const item = (line: number): Item => ({ line, lastLine: line, markerFrom: 0, marker: '-', wordsFrom: 2, column: 2, depth: 0, parent: -1 });

/** An item that holds something, a quote in it, and an item in that which holds nothing yet. */
function nested(): { stack: ContainerStack; outer: Item; inner: Item } {
  const stack = new ContainerStack();
  const outer = item(0);
  const inner = item(1);
  stack.push(outer, 0, 2);
  stack.push(null, -1, 0);
  stack.push(inner, 1, 4);
  return { stack, outer, inner };
}

describe('the open containers', () => {
  it('know the innermost item, also through a quote', () => {
    const { stack, inner } = nested();
    expect([stack.depth, stack.item, stack.innermostItem()]).toEqual([3, inner, 1]);
    stack.cut(2);
    expect([stack.depth, stack.item, stack.innermostItem()]).toEqual([2, null, 0]);
    stack.cut(0);
    expect([stack.depth, stack.item, stack.innermostItem()]).toEqual([0, null, -1]);
  });

  it('that close reach to the last line that was touched while they were open', () => {
    const { stack, outer, inner } = nested();
    stack.touched = 3;
    stack.cut(2);
    stack.touched = 7;
    stack.cut(0);
    expect([inner.lastLine, outer.lastLine]).toEqual([3, 7]);
  });

  it('go on in a blank line as far as they are items that hold something', () => {
    const stack = new ContainerStack();
    stack.push(item(0), 0, 2);
    expect(stack.goOnWhenBlank()).toBe(0);
    stack.push(item(0), 1, 2);
    expect(stack.goOnWhenBlank()).toBe(1);
    stack.child();
    expect(stack.goOnWhenBlank()).toBe(2);
    stack.child(false);
    expect(stack.goOnWhenBlank()).toBe(1);
    expect(nested().stack.goOnWhenBlank()).toBe(1);
  });

  it.each([
    [0, 0, 0],
    [1, 0, 0],
    [2, 1, 2],
    [4, 1, 2],
    [5, 2, 5],
    [40, 2, 5],
  ])('%d spaces are within %d of two items, which indent by %d', (spaces, matched, indent) => {
    const stack = new ContainerStack();
    stack.push(item(0), 0, 2);
    stack.push(item(1), 1, 3);
    expect(stack.goOnWhenIndented(spaces)).toBe(matched);
    expect(stack.indentOf(matched)).toBe(indent);
  });

  it('no spaces reach into what a quote holds', () => expect(nested().stack.goOnWhenIndented(40)).toBe(1));
});
