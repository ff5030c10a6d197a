/** Does one piece of work after the other, whatever became of the one before. */
export function inTurn(): <T>(work: () => Promise<T>) => Promise<T> {
  let busy: Promise<unknown> = Promise.resolve();
  return (work) => {
    const turn = busy.then(work);
    busy = turn.catch(() => undefined);
    return turn;
  };
}
