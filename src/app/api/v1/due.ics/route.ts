import { dueCalendar } from '@/server/records/due';

/** What is to be looked at again, as a calendar. */
export async function GET(): Promise<Response> {
  return new Response(await dueCalendar(), {
    headers: {
      'Content-Type': 'text/calendar; charset=utf-8',
      'Content-Disposition': 'attachment; filename="rechecks.ics"',
    },
  });
}
