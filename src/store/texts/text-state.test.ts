import { type TextEvent, type TextState, textStateAfter } from './text-state';

describe('the state of a text that is written', () => {
  it.each<[TextState, TextEvent[], TextState]>([
    ['still', ['differs'], 'typed'],
    ['still', ['differs', 'durable'], 'still'],
    ['still', ['differs', 'partly'], 'typed'],
    ['typed', ['failed', 'differs', 'differs'], 'failed'],
    ['typed', ['failed', 'partly', 'durable'], 'still'],
    ['failed', ['failed'], 'failed'],
    ['failed', ['durable'], 'still'],
    ['still', ['went', 'durable', 'failed'], 'gone'],
    ['gone', ['came'], 'still'],
    ['gone', ['came', 'differs'], 'typed'],
    ['typed', ['went', 'came'], 'still'],
  ])('from %s by %j is %s', (from, events, to) => expect(events.reduce(textStateAfter, from)).toBe(to));
});
