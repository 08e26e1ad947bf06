import { PROCEDURE } from '../contracts/procedure';
import {
  bansOf,
  condemnedParts,
  findingsOfLooks,
  lookOfFinding,
  lookWithout,
  seenItems,
  stateOfLook,
  type Look,
} from '.';

describe('what was seen', () => {
  const look = (item: string, found: string[] = []): Look => ({ corner: 'FL', item, found });

  test('not looked at, sound and found wrong are three things', () => {
    const items = PROCEDURE.items.filter(({ code }) => ['hose', 'pins', 'faces'].includes(code));
    const seen = seenItems(items, [look('hose'), look('pins', ['stuck', 'dry'])], 'FL');
    expect(Object.fromEntries(seen.map(({ item, state }) => [item.code, state]))).toEqual({
      faces: 'not-looked',
      hose: 'sound',
      pins: 'wrong',
    });
    expect(
      seenItems(items, [look('hose')], 'FR').every(({ state }) => state === 'not-looked'),
    ).toBe(true);
    expect(stateOfLook(undefined)).toBe('not-looked');
  });

  test('tells the nose of each condition once, and of what is sound', () => {
    expect(findingsOfLooks(PROCEDURE, [look('hose'), look('seat', ['rust', 'register'])])).toEqual([
      { code: 'hose-check', value: 'sound', corner: 'FL' },
      { code: 'hub-look', value: 'rust', corner: 'FL' },
    ]);
    expect(findingsOfLooks(PROCEDURE, [look('vanes'), look('no-such-item')])).toEqual([]);
  });

  test('forbids and condemns, with the reason', () => {
    const bans = bansOf(PROCEDURE, [
      look('cracks', ['crack']),
      look('faces', ['spots', 'oil']),
      look('hose', ['bulged']),
    ]);
    expect(bans.map(({ what }) => what)).toEqual([
      'machining',
      'rotor',
      'road',
      'machining',
      'road',
    ]);
    expect(bans.every(({ why, corner }) => why.length > 5 && corner === 'FL')).toBe(true);
    expect(bansOf(PROCEDURE, [look('cracks', ['crazing'])])).toEqual([]);
    expect(
      condemnedParts(PROCEDURE, [
        look('piston-boot', ['torn', 'leaking']),
        look('boots', ['torn']),
      ]),
    ).toEqual(['Caliper', 'Pin boots']);
  });

  test('an answer of the nose becomes the look that it is, and says the same again', () => {
    for (const item of PROCEDURE.items) {
      const { soundSays } = item;
      if (!soundSays) continue;
      const back = lookOfFinding(PROCEDURE, soundSays);
      expect(findingsOfLooks(PROCEDURE, [{ corner: 'FL', ...back! }])).toEqual([
        { ...soundSays, corner: 'FL' },
      ]);
    }
    expect(lookOfFinding(PROCEDURE, { code: 'face-check', value: 'crack' })).toEqual({
      item: 'cracks',
      found: ['crack'],
    });
    expect(lookOfFinding(PROCEDURE, { code: 'pins-check', value: 'stuck' })?.found).toEqual([
      'stuck',
    ]);
    expect(lookOfFinding(PROCEDURE, { code: 'pad-look', value: 'broken' })?.found).toEqual([
      'cracked',
    ]);
    expect(lookOfFinding(PROCEDURE, { code: 'fins-check', value: 'rusted' })?.found).toEqual([
      'scaled',
    ]);
    expect(lookOfFinding(PROCEDURE, { code: 'part-check', value: 'wrong' })).toBeNull();
    expect(lookOfFinding(PROCEDURE, { code: 'pads-check', value: 'uneven' })).toBeNull();
    expect(lookOfFinding(PROCEDURE, { code: 'felt', value: 'both' })).toBeNull();
  });

  test('takes one check out of a look and leaves the rest', () => {
    const both = look('faces', ['spots', 'glaze']);
    expect(lookWithout(PROCEDURE, both, { code: 'face-check' })).toEqual(look('faces', ['glaze']));
    expect(lookWithout(PROCEDURE, look('faces', ['spots']), { code: 'face-check' })).toBeNull();
    expect(lookWithout(PROCEDURE, look('hose'), { code: 'hose-check' })).toBeNull();
    expect(lookWithout(PROCEDURE, both, { code: 'face-check', value: 'film' })).toBe(both);
    const other = look('hose');
    expect(lookWithout(PROCEDURE, other, { code: 'face-check' })).toBe(other);
  });
});
