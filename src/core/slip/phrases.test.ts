import * as chrono from 'chrono-node';
import { rrulestr } from 'rrule';
import { dayOfDate, isoDay, readIsoDay } from '../calendar/day';
import { readRepeat } from '../calendar/repeat/repeat-phrase';
import { repeatRuleText } from '../calendar/repeat/repeat-rule';
import { writtenOut } from '../calendar/repeat/repeat';
import { ACTION_DEFAULTS } from '../task/acts/action-context';
import { readSpokenTask } from './spoken-task';

/**
 * What people type into a slip, and what is read, by hand, on Monday 23 November 2026 at 09:14: `typed = words | clauses in their order`.
 * The rules are those of FORMAT.md; which phrases people use is common practice, no source.
 */
const PHRASES = `
call lars about crate height = call lars about crate height
call lars about crate height tomorrow = call lars about crate height | plan 2026-11-24
call lars about crate height tomorrow 15:00 high = call lars about crate height | plan 2026-11-24 15:00; high
Ring @lars about the crate height tomorrow 15:00 high 20m = Ring @lars about the crate height | plan 2026-11-24 15:00; high; takes 20m
today ring the lighthouse trust = ring the lighthouse trust | plan 2026-11-23
sign the rider by fri = sign the rider | due 2026-11-27
sign the rider by friday 12:00 = sign the rider | due 2026-11-27 12:00
sign the rider on fri = sign the rider | plan 2026-11-27
sign the rider due fri = sign the rider | due 2026-11-27
sign the rider plan fri = sign the rider | plan 2026-11-27
sign the rider from fri = sign the rider | start 2026-11-27
sign the rider mon = sign the rider | plan 2026-11-23
sign the rider next mon = sign the rider | plan 2026-11-30
sign the rider next friday = sign the rider | plan 2026-12-04
sign the rider this friday = sign the rider | plan 2026-11-27
sign the rider wed, fri = sign the rider | plan 2026-11-25; due 2026-11-27
sign the rider wed by fri = sign the rider | plan 2026-11-25; due 2026-11-27
sign the rider from wed by fri = sign the rider | start 2026-11-25; due 2026-11-27
sign the rider next week = sign the rider | plan 2026-W49
sign the rider this week = sign the rider | plan 2026-W48
sign the rider next month = sign the rider | plan 2026-12
sign the rider next week by 4 dec = sign the rider | plan 2026-W49; due 2026-12-04
sign the rider by next week = sign the rider | due 2026-12-06
sign the rider by end of month = sign the rider | due 2026-11-30
sign the rider end of week = sign the rider | plan 2026-11-29
sign the rider in 3 days = sign the rider | plan 2026-11-26
sign the rider in two weeks = sign the rider | plan 2026-12-07
sign the rider in a month = sign the rider | plan 2026-12-23
sign the rider 1 dec = sign the rider | plan 2026-12-01
sign the rider dec 1 = sign the rider | plan 2026-12-01
sign the rider 1st of december = sign the rider | plan 2026-12-01
sign the rider 1 dec 2027 = sign the rider | plan 2027-12-01
sign the rider 2026-12-01 = sign the rider | plan 2026-12-01
sign the rider 2026-12-01 15:30 = sign the rider | plan 2026-12-01 15:30
sign the rider 1.12.2026 = sign the rider | plan 2026-12-01
sign the rider 12/01/2026 = sign the rider 12/01/2026
sign the rider fri 27 nov = sign the rider | plan 2026-11-27
sign the rider thu 27 nov = sign the rider thu 27 nov
sign the rider 30 feb = sign the rider 30 feb
sign the rider 22 nov = sign the rider | plan 2027-11-22
sign the rider the day after tomorrow = sign the rider | plan 2026-11-25
sign the rider week 50 = sign the rider | plan 2026-W50
sign the rider 9am = sign the rider | plan 2026-11-24 09:00
sign the rider 10:00 = sign the rider | plan 2026-11-23 10:00
sign the rider at noon = sign the rider | plan 2026-11-23 12:00
sign the rider at 9 tomorrow = sign the rider | plan 2026-11-24 09:00
sign the rider tomorrow at 9 = sign the rider | plan 2026-11-24 09:00
sign the rider tomorrow 9:30pm = sign the rider | plan 2026-11-24 21:30
15:00 on fri sign the rider = sign the rider | plan 2026-11-27 15:00
tomorrow: sign the rider = sign the rider | plan 2026-11-24
fri sign the rider = sign the rider | plan 2026-11-27
sat with noor about the panels = sat with noor about the panels
sun cream for the guides = sun cream for the guides
sat 12 dec hang the lanterns = hang the lanterns | plan 2026-12-12
hang the lanterns by sat = hang the lanterns | due 2026-11-28
may I have the key = may I have the key
march past the vitrines = march past the vitrines
read the minutes of monday = read the minutes of monday
figures for friday = figures for friday
the meeting before fri = the meeting before fri
nothing until fri = nothing until fri
what we said last fri = what we said last fri
yesterday write to the mill = write to the mill | plan 2026-11-22
sign the rider sun 10:30 = sign the rider | plan 2026-11-29 10:30
sign the rider the 15th = sign the rider | plan 2026-12-15
sign the rider 29 feb = sign the rider | plan 2028-02-29
remind the lender in 30 min = remind the lender | remind 2026-11-23 09:44
ring the lender in 2 hours = ring the lender | remind 2026-11-23 11:14
ring the lender in an hour = ring the lender | remind 2026-11-23 10:14
ring the lender high = ring the lender | high
ring the lender top = ring the lender | top
ring the lender low = ring the lender | low
ring the lender High = ring the lender | high
high above the mast = high above the mast
the low shelf in room 2 = the low shelf in room 2
top of the stairs = top of the stairs
look up high = look up | high
high = high
low tomorrow = low | plan 2026-11-24
ring the lender ~high about the crate = ring the lender about the crate | high
ring the lender high low = ring the lender high | low
ring the lender priority top about the crate = ring the lender about the crate | top
ring the lender 30m = ring the lender | takes 30m
ring the lender 1h30m = ring the lender | takes 1h30m
ring the lender 1.5h = ring the lender | takes 1.5h
ring the lender 2h high = ring the lender | takes 2h; high
ring the lender high 2h = ring the lender | high; takes 2h
ring the lender 20 min = ring the lender | takes 20m
ring the lender 2 hours = ring the lender | takes 2h
ring the lender half an hour = ring the lender | takes 30m
ring the lender takes 45m = ring the lender | takes 45m
ring the lender takes 45m about the crate = ring the lender about the crate | takes 45m
the 30m mast = the 30m mast
climb the 30m mast tomorrow = climb the 30m mast | plan 2026-11-24
read the log ~30m before the talk = read the log before the talk | takes 30m
read the log for 2 hours in the reading room = read the log in the reading room | takes 2h
read the log for 20m = read the log | takes 20m
wait for 2 days = wait for 2 days
PT90M = PT90M
30m = 30m
30m tomorrow = 30m | plan 2026-11-24
read the log tomorrow 30m = read the log | plan 2026-11-24; takes 30m
read the log 30m tomorrow = read the log | takes 30m; plan 2026-11-24
read the log 30m tomorrow high #texts = read the log #texts | takes 30m; plan 2026-11-24; high
read the log #texts 30m = read the log #texts | takes 30m
read the log high @ilse [[Lightship log]] = read the log @ilse [[Lightship log]] | high
read the log @ilse fri #texts = read the log @ilse #texts | plan 2026-11-27
read the log owner @kofi = read the log | owner @kofi
read the log owner @kofi fri = read the log | owner @kofi; plan 2026-11-27
read the log owner nobody = read the log | owner nobody
the owner of the log = the owner of the log
read the log asked by @bea = read the log | asked @bea
read the log asked @bea by fri = read the log | asked @bea; due 2026-11-27
she asked about the log = she asked about the log
read the log tomorrow 15:00 remind 1h before = read the log | plan 2026-11-24 15:00; remind 1h before
read the log remind me 2 days before by 1 dec = read the log | remind 2 days before; due 2026-12-01
read the log fri remind 09:00 = read the log | plan 2026-11-27; remind 09:00
read the log remind tomorrow 17:00 = read the log | remind 2026-11-24 17:00
remind kofi of the tags = remind kofi of the tags
read the log fri lapses sun = read the log | plan 2026-11-27; lapses 2026-11-29
waiting for @lars the agreement = @lars the agreement | waiting
waiting for @lars about the agreement since fri = @lars about the agreement since fri | waiting
Waiting for @lars by fri = @lars | waiting; due 2026-11-27
waiting for the agreement = waiting for the agreement
we are waiting for @lars = we are waiting for @lars
wind the clock every day = wind the clock | every day; plan 2026-11-23
wind the clock every day at 18:00 = wind the clock | every day; plan 2026-11-23 18:00
wind the clock every mon = wind the clock | every mon; plan 2026-11-23
wind the clock every mon 10:00 = wind the clock | every mon; plan 2026-11-23 10:00
wind the clock every tue, fri = wind the clock | every tue, fri; plan 2026-11-24
wind the clock every mon, fri 10:00 20m = wind the clock | every mon, fri; plan 2026-11-23 10:00; takes 20m
wind the clock every weekday = wind the clock | every weekday; plan 2026-11-23
wind the clock every 3 days = wind the clock | every 3 days; plan 2026-11-23
wind the clock every 2 weeks on fri = wind the clock | every 2 weeks on fri; plan 2026-11-27
wind the clock every month on 15 = wind the clock | every month on 15; plan 2026-12-15
wind the clock every month on last fri = wind the clock | every month on last fri; plan 2026-11-27
wind the clock every month on last day = wind the clock | every month on last day; plan 2026-11-30
wind the clock every year on 25 dec = wind the clock | every year on 25 dec; plan 2026-12-25
wind the clock every day by fri = wind the clock | every day; due 2026-11-27
wind the clock every fri from 1 dec = wind the clock | every fri; plan 2026-12-04; start 2026-12-01
wind the clock every 3 months after done = wind the clock | every 3 months after done; plan 2026-11-23
wind the clock every day until 2026-12-24 = wind the clock | every day until 2026-12-24; plan 2026-11-23
wind the clock every day x5 = wind the clock | every day x5; plan 2026-11-23
every visitor gets a map = every visitor gets a map
each lantern has a tag = each lantern has a tag
wind the clock every mon fri = wind the clock | every mon fri; plan 2026-11-23
send crate sizes to @teo thu 10m = send crate sizes to @teo | plan 2026-11-26; takes 10m
send crate sizes to @teo, thu = send crate sizes to @teo, | plan 2026-11-26
buy lamp oil #errand sat 11:00 = buy lamp oil #errand | plan 2026-11-28 11:00
🦀 = 🦀
🦀 tomorrow = 🦀 | plan 2026-11-24
tomorrow = | plan 2026-11-24
room 12 at 9 = room 12 at 9
gate 9 tomorrow = gate 9 | plan 2026-11-24
order 40 crates 4 dec = order 40 crates | plan 2026-12-04
version 1.5 of the plan = version 1.5 of the plan
pay €30 by 1 dec = pay €30 | due 2026-12-01
mail ilse@museum.example fri = mail ilse@museum.example | plan 2026-11-27
see https://museum.example/plan tomorrow = see https://museum.example/plan | plan 2026-11-24
`;

/** A Monday, 09:14. */
const TODAY = readIsoDay('2026-11-23') ?? 0;
const CONTEXT = { now: { day: TODAY, minute: 554 }, settings: ACTION_DEFAULTS, makeRef: () => 'k3f9qa' };
const ROWS = PHRASES.trim()
  .split('\n')
  .map((line): [string, string] => {
    const at = line.indexOf(' = ');
    return [line.slice(0, at), line.slice(at + 3).trim()];
  });

function read(typed: string): string {
  const { words, parts, status } = readSpokenTask(typed, CONTEXT);
  const clauses = [...(status === 'todo' ? [] : [status]), ...parts.flatMap((part) => part.clauses.map((clause) => clause.words))];
  return clauses.length === 0 ? words : `${words} | ${clauses.join('; ')}`.trim();
}

describe('what is read in the words of a slip', () => {
  it.each(ROWS)('%s', (typed, expected) => expect(read(typed)).toBe(expected));
  it('is looked at in 150 phrases and more', () => expect(ROWS.length).toBeGreaterThanOrEqual(150));
});

/** Where the other library means another day, and why we do. */
const OTHERWISE =
  /next (?:mon|fri|week|month)|this week|end of|\bmon\b|by next|week 50|every|22 nov|29 feb|the 15th|1\.12|wed|yesterday|9am|10:00$|from fri|from wed|sun 10:30|by sat\b/;

describe('one day that is read with no word of its own', () => {
  // chrono-node 2, a general reader of English dates, with weekdays looked for ahead.
  const single = ROWS.filter(([typed, expected]) => /\| (?:plan|due) \d{4}-\d\d-\d\d/.test(expected) && !OTHERWISE.test(typed));
  it.each(single)('%s, as chrono-node reads it', (typed, expected) => {
    const day = /\| (?:plan|due) (\d{4}-\d\d-\d\d)/.exec(expected)?.[1];
    const [found] = chrono.en.GB.parse(typed.replace(/\b(?:high|top|low)\b|\d+m\b/g, ''), new Date(2026, 10, 23, 9, 14), {
      forwardDate: true,
    });
    expect(found && isoDay(dayOfDate(found.start.date()))).toBe(day);
  });
  it('are many', () => expect(single.length).toBeGreaterThan(25));
});

describe('the first day of a repeat', () => {
  const repeats = ROWS.filter(([, expected]) => /every (?!.*after done)/.test(expected.split(' | ')[1] ?? '') && /plan \d/.test(expected));
  it.each(repeats)('%s, as RFC 5545 counts', (_, expected) => {
    const phrase = /every ([^;]+)/.exec(expected)?.[1] ?? '';
    const first = /plan (\d{4}-\d\d-\d\d)/.exec(expected)?.[1];
    const repeat = readRepeat(phrase);
    const rule = repeat && repeatRuleText(writtenOut(repeat, TODAY));
    if (!rule) throw new Error(`“${phrase}” has no rule`);
    const from = new Date(/start (\d{4}-\d\d-\d\d)/.exec(expected)?.[1] ?? isoDay(TODAY));
    const date = rrulestr(rule, { dtstart: from }).after(from, true);
    expect(date?.toISOString().slice(0, 10)).toBe(first);
  });
  it('are many', () => expect(repeats.length).toBeGreaterThan(12));
});
