/** What an invented customer says, by question and answer. */
const SAYINGS: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  felt: {
    steering: 'The wheel wags in my hands.',
    pedal: 'The pedal taps back at my foot.',
    both: 'My hands and my foot, both of them.',
    seat: 'It comes up through the seat.',
    nowhere: 'I feel nothing, my neighbour says it shakes.',
  },
  when: {
    braking: 'Only when I brake.',
    both: 'When I brake, and a bit when I do not.',
    without: 'With the foot off the brake too. It does not care about the brake.',
  },
  'follows-speed': {
    yes: 'The faster I go the quicker it taps.',
    no: 'It stays the same, fast or slow.',
  },
  'worst-speed': {
    low: 'Round the harbour, when I crawl.',
    middle: 'In town.',
    high: 'Out on the long straight.',
  },
  warmth: {
    hot: 'After the hill, when they are hot.',
    'first-stops': 'In the morning, the first few times.',
    same: 'Always the same, warm or cold.',
  },
  pull: {
    no: 'It stops straight.',
    left: 'It goes to the left when I brake.',
    right: 'It goes to the right when I brake.',
  },
  'pull-coasting': {
    no: 'It rolls straight.',
    left: 'It wants to go left all the time.',
    right: 'It wants to go right all the time.',
  },
  noise: {
    none: 'No noise.',
    squeal: 'It squeals like a gull.',
    grind: 'It grinds, like a shovel on stone.',
    groan: 'It groans when I creep.',
    scrape: 'A scrape that comes and goes with the wheel.',
    tick: 'It ticks, once every turn.',
    clunk: 'A clunk when I start to brake.',
    hum: 'It hums, louder the faster I go.',
  },
  'pedal-feel': {
    firm: 'The pedal is as it always was.',
    soft: 'It feels like stepping on a sponge.',
    long: 'The first push goes a long way, the second is fine.',
    sinks: 'At the lights it sinks away under my foot.',
    hard: 'I have to stand on it.',
  },
  'abs-kick': {
    no: 'No buzzing at the end.',
    yes: 'Just before I stand still it buzzes and kicks.',
  },
  drag: {
    no: 'I smell nothing, and it rolls well.',
    yes: 'One wheel smells hot, and it does not want to roll.',
  },
  lately: {
    nothing: 'Nothing was done to it for ages.',
    'wheels-off': 'It has its other tyres on since a while ago.',
    'brakes-renewed': 'It got new brakes.',
    'renewed-again': 'It got new brakes twice, and it is back.',
    'pads-only': 'Only new pads, the discs were said to be good.',
    'used-parts': 'A friend put used ones on.',
    machined: 'The discs were turned on a lathe.',
    hydraulics: 'They had the fluid out of it.',
    'parking-brake': 'The hand brake was set.',
    kerb: 'I hit the kerb at the ferry.',
  },
  since: {
    'at-once': 'It was like that on the way home.',
    between: 'A few hundred later it began.',
    'some-thousand': 'It was good for months.',
    longer: 'I could not say, long ago.',
  },
  bedded: {
    yes: 'They told me to brake gently at first, and I did.',
    no: 'I drove home over the hill at once.',
    unknown: 'Nobody told me anything.',
  },
  'wheels-standard': {
    standard: 'It is as it came.',
    other: 'Bigger wheels, and there is always something heavy in the back.',
  },
  use: {
    ordinary: 'To work and back.',
    towing: 'With the boat behind it.',
    descents: 'Down from the pass every day.',
    track: 'Some Sundays on the old airfield.',
    water: 'Through the ford, twice a day.',
    salt: 'All winter on the salted road.',
    standing: 'It stands for weeks.',
  },
};

/** Before an answer of which the customer is not sure. */
const DOUBT = 'I think, but I am not sure: ';

const lowered = (text: string): string =>
  /^I\b/.test(text) ? text : text.charAt(0).toLowerCase() + text.slice(1);

/** An answer of the complaint in the customer's own words, with doubt or without; null for a question that nobody has words for. */
export function customerSays(code: string, value: string, isDoubted: boolean): string | null {
  const text = SAYINGS[code]?.[value];
  if (text === undefined) return null;
  return isDoubted ? `${DOUBT}${lowered(text)}` : text;
}
