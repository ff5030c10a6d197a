import { fillTemplate, templateQuestions } from './template';

const VALUES = { day: 20780, minute: 554, name: 'Loans meeting', answers: new Map([['who is there', '@kofi, @lars']]) };

describe('templates', () => {
  it.each([
    ['{{day}}', '2026-11-23'],
    ['{{day + 1}}', '2026-11-24'],
    ['{{ day - 2 weeks }}', '2026-11-09'],
    ['{{day+1 month}}', '2026-12-23'],
    ['{{weekday}}', 'Monday'],
    ['# {{name}} at {{clock}}', '# Loans meeting at 09:14'],
    ['{{question: who is there}}', '@kofi, @lars'],
    ['{{question: what else}}', '{{question: what else}}'],
    ['{{unknown}} {{day}', '{{unknown}} {{day}'],
    ['```gather\nwhere due = {{day + 7}}\n```', '```gather\nwhere due = 2026-11-30\n```'],
    ['- [ ] a {due {{day}}}', '- [ ] a {due 2026-11-23}'],
  ])('%s becomes %s', (text, filled) => expect(fillTemplate(text, VALUES)).toBe(filled));

  it('leave the clock alone when the minute is not known', () => {
    expect(fillTemplate('{{clock}}', { ...VALUES, minute: null })).toBe('{{clock}}');
  });

  it('ask each question once', () => {
    expect(templateQuestions('{{question: a}} {{day}} {{question: b}} {{ question: a }}')).toEqual(['a', 'b']);
  });
});
