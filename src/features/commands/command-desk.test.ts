import { CommandDesk, type TextCommands } from './command-desk';

const text = (): TextCommands => ({ run: () => true, undo: () => true, redo: () => false });

describe('the desk of the commands', () => {
  it('has the text on the page as long as it is there', () => {
    const desk = new CommandDesk();
    expect(desk.text).toBeNull();
    const first = text();
    const leave = desk.hold('text', first);
    expect(desk.text).toBe(first);
    leave();
    expect(desk.text).toBeNull();
  });

  it('keeps who came later when the one before leaves after it', () => {
    const desk = new CommandDesk();
    const leaveFirst = desk.hold('text', text());
    const second = text();
    const leaveSecond = desk.hold('text', second);
    leaveFirst();
    expect(desk.text).toBe(second);
    leaveSecond();
    leaveSecond();
    expect(desk.text).toBeNull();
  });

  it('goes back to who was there before; whoever gives itself again counts', () => {
    const desk = new CommandDesk();
    const [page, beside] = [text(), text()];
    const leavePage = desk.hold('text', page);
    const leaveBeside = desk.hold('text', beside);
    desk.hold('text', page);
    expect(desk.text).toBe(page);
    leavePage();
    expect(desk.text).toBe(beside);
    leaveBeside();
    expect(desk.text).toBeNull();
  });

  it('has no row that is gone from the page', () => {
    const desk = new CommandDesk();
    const element = { isConnected: true } as Element & { isConnected: boolean };
    const run = jest.fn();
    desk.hold('row', { element, run });
    desk.row?.run('row-plan');
    expect(run).toHaveBeenCalledWith('row-plan');
    Object.assign(element, { isConnected: false });
    expect(desk.row).toBeNull();
    Object.assign(element, { isConnected: true });
    // Whoever had the focus before is not kept, however many rows it went through.
    desk.hold('row', { element: { isConnected: false } as Element, run });
    expect(desk.row).toBeNull();
    desk.leaveRow();
    expect(desk.row).toBeNull();
  });
});
