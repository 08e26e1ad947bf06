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
