import { RestTimer } from './rest-timer';

describe('a rest timer', () => {
  beforeEach(() => jest.useFakeTimers());
  afterEach(() => jest.useRealTimers());

  it('acts once, when nothing was touched for a while', () => {
    const act = jest.fn();
    const timer = new RestTimer(100, act);
    for (let touch = 0; touch < 5; touch++) {
      timer.touch();
      jest.advanceTimersByTime(60);
    }
    expect(act).not.toHaveBeenCalled();
    jest.advanceTimersByTime(39);
    expect(act).not.toHaveBeenCalled();
    jest.advanceTimersByTime(2);
    expect(act).toHaveBeenCalledTimes(1);
    jest.advanceTimersByTime(1000);
    expect(act).toHaveBeenCalledTimes(1);
  });

  it('waits no longer than it may while it is touched', () => {
    const act = jest.fn();
    const timer = new RestTimer(100, act, 250);
    for (let touch = 0; touch < 6; touch++) {
      timer.touch();
      jest.advanceTimersByTime(45);
    }
    expect(act).toHaveBeenCalledTimes(1);
  });

  it('acts again after it was touched again', () => {
    const act = jest.fn();
    const timer = new RestTimer(100, act);
    timer.touch();
    jest.advanceTimersByTime(101);
    timer.touch();
    jest.advanceTimersByTime(101);
    expect(act).toHaveBeenCalledTimes(2);
  });

  it('does nothing once it was stopped, and nothing untouched', () => {
    const act = jest.fn();
    const timer = new RestTimer(100, act);
    jest.advanceTimersByTime(1000);
    timer.touch();
    timer.stop();
    jest.advanceTimersByTime(1000);
    expect(act).not.toHaveBeenCalled();
  });
});
