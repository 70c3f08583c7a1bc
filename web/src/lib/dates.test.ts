import { describe, expect, it } from 'vitest';
import { addDays, addMonths, daysBetween, noDay, readDay, readMonth, weekStart } from './dates';

describe('days', () => {
  it('counts over month ends and leap days', () => {
    expect(addDays('2028-02-28', 1)).toBe('2028-02-29');
    expect(daysBetween('2026-03-01', '2027-03-01')).toBe(365);
  });

  it('takes the last day where a month lacks one', () => {
    expect(addMonths('2026-01-31', 1)).toBe('2026-02-28');
    expect(addMonths('2026-03-31', -1)).toBe('2026-02-28');
  });

  it('finds the week of a day whatever day weeks begin on', () => {
    expect(weekStart('2026-03-01', 'monday')).toBe('2026-02-23');
    expect(weekStart('2026-03-01', 'sunday')).toBe('2026-03-01');
    expect(weekStart('2026-03-01', 'saturday')).toBe('2026-02-28');
  });

  it.each([
    ['2026-03-01', '2026-03-01'],
    ['1/3/26', '2026-03-01'],
    ['01.03.2026', '2026-03-01'],
    ['1 Mar 2026', '2026-03-01'],
    ['31/2/2026', null],
    ['13/13/2026', null],
    ['tomorrow', null],
  ])('reads %s as %s', (typed, day) => expect(readDay(typed)).toBe(day));

  it.each([
    ['2026-02-30', "February 2026 has 28 days: '2026-02-30' is no date."],
    ['31/4/28', "April 2028 has 30 days: '31/4/28' is no date."],
    ['the ides', "'the ides' is no date: type one such as 2026-07-01 or 1/7/2026."],
    [' ', 'The date is missing: type one such as 2026-07-01 or 1/7/2026.'],
  ])('says what is wrong with the day %s', (typed, said) => expect(noDay(typed)).toBe(said));

  it.each([
    ['2026-07', '2026-07'],
    ['7/2026', '2026-07'],
    ['Jul 2026', '2026-07'],
    ['july 26', '2026-07'],
    ['2026-13', null],
    ['1/7/2026', '2026-07'],
    ['2/7/2026', null],
    ['summer', null],
  ])('reads the month %s as %s', (typed, month) => expect(readMonth(typed)).toBe(month));
});
