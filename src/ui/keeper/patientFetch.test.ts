import { patientFetch } from './patientFetch';

const PAGE = { headers: { rsc: '1' } };
const torn = (): Response =>
  ({
    clone: () => ({ arrayBuffer: () => Promise.reject(new TypeError('network error')) }),
  }) as unknown as Response;
const whole = (): Response => {
  const response = { clone: () => ({ arrayBuffer: () => Promise.resolve(new ArrayBuffer(0)) }) };
  return response as unknown as Response;
};

describe('the patient fetch', () => {
  beforeEach(() => jest.useFakeTimers());
  afterEach(() => jest.useRealTimers());

  // 2026-11-27: a server that died while a page was loaded anew left the browser’s error page.
  test('asks again for what a page shows until it came in full', async () => {
    const good = whole();
    const plain = jest
      .fn<Promise<Response>, []>()
      .mockRejectedValueOnce(new TypeError('Failed to fetch'))
      .mockResolvedValueOnce(torn())
      .mockResolvedValueOnce(good);
    const waits: boolean[] = [];
    const answer = patientFetch(plain, (isWaiting) => waits.push(isWaiting))('/jobs', PAGE);
    await jest.advanceTimersByTimeAsync(2500);
    expect(await answer).toBe(good);
    expect(plain).toHaveBeenCalledTimes(3);
    expect(waits).toEqual([true, false]);
  });

  test('opens the page that this screen holds in place of one that does not come', async () => {
    const opened: string[] = [];
    const openHeld = (href: string): Promise<boolean> => {
      opened.push(href);
      return Promise.resolve(href.startsWith('/held'));
    };
    const away = jest.fn(() => Promise.reject<Response>(new TypeError('Failed to fetch')));
    const never = jest.fn(() => new Promise<Response>(() => undefined));
    const patient = (plain: typeof fetch) => patientFetch(plain, undefined, openHeld);
    let isAnswered = false;
    const hear = (): void => void (isAnswered = true);
    void patient(away)('/held', PAGE).then(hear, hear);
    void patient(never)('/held/slow', PAGE).then(hear, hear);
    await jest.advanceTimersByTimeAsync(20_000);
    expect(opened).toEqual(['/held', '/held/slow']);
    expect(isAnswered).toBe(false);
    expect([away, never].map(({ mock }) => mock.calls.length)).toEqual([1, 1]);
  });

  test('waits for a slow page that this screen does not hold, and asks for it once', async () => {
    const good = whole();
    const plain = jest.fn(
      () => new Promise<Response>((resolve) => setTimeout(() => resolve(good), 9000)),
    );
    const answer = patientFetch(plain)('/jobs', PAGE);
    await jest.advanceTimersByTimeAsync(9500);
    expect(await answer).toBe(good);
    expect(plain).toHaveBeenCalledTimes(1);
  });

  test('gives up where the router has, and everything else fails at once', async () => {
    const plain = jest.fn(() => Promise.reject<Response>(new TypeError('Failed to fetch')));
    const stopped = AbortSignal.abort();
    await expect(patientFetch(plain)('/jobs', { ...PAGE, signal: stopped })).rejects.toThrow();
    await expect(patientFetch(plain)('/api/v1/writes', { method: 'POST' })).rejects.toThrow();
    const ahead = { headers: { ...PAGE.headers, 'next-router-prefetch': '1' } };
    await expect(patientFetch(plain)('/jobs', ahead)).rejects.toThrow();
    expect(plain).toHaveBeenCalledTimes(3);
  });
});
