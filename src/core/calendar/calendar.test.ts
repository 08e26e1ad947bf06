import { ago, formatDate, isToday, weekOf } from '.';

const MOMENT = new Date(2026, 0, 4, 7, 5, 9);

describe('days and times in words', () => {
  it('writes a moment after a pattern, in the time of this machine', () => {
    expect(formatDate(MOMENT, 'D MMM YYYY, HH:mm')).toBe('4 Jan 2026, 07:05');
    expect(formatDate(MOMENT.getTime(), 'D MMMM YYYY')).toBe('4 January 2026');
    expect(formatDate(MOMENT, 'YYYY-MM-DD-HHmmss')).toBe('2026-01-04-070509');
  });

  it('refuses a date that is none', () => {
    expect(() => formatDate(new Date('soon'), 'D MMM')).toThrow(RangeError);
  });

  it('tells today from other days by the calendar, not by hours', () => {
    const now = new Date();
    const midnight = new Date(now.getFullYear(), now.getMonth(), now.getDate());
    expect(isToday(midnight)).toBe(true);
    expect(isToday(midnight.getTime() - 1)).toBe(false);
  });

  it('says how long ago something was', () => {
    expect(ago(Date.now() - 3 * 3_600_000)).toBe('3 hours ago');
    expect(ago(Date.now() - 2 * 86_400_000)).toBe('2 days ago');
  });

  it('counts weeks from their Monday, across the turn of the year', () => {
    expect(weekOf('2025-12-28')).toBe('2025-52');
    expect(weekOf('2025-12-29')).toBe('2026-1');
    expect(weekOf('2026-01-04')).toBe('2026-1');
    expect(weekOf('2026-01-05')).toBe('2026-2');
  });
});
