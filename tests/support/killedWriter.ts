import { database } from '../../src/server/database';
import { saveReading } from '../../src/server/measure/sets';

/** Types readings for ever; each is printed once its write was answered for. */
async function main(): Promise<void> {
  const [setId = '', from = '0', positions = '24', laps = '20'] = process.argv.slice(2);
  await database();
  process.stdout.write('ready\n');
  for (let count = Number(from); ; count += 1) {
    const lap = Math.floor(count / Number(positions)) % Number(laps);
    const position = count % Number(positions);
    const text = `${(count % 900) - 450}um`;
    const answer = await saveReading({ setId, lap, position, text, unit: 'mm' });
    if (!answer.ok) throw new Error(answer.message);
    process.stdout.write(`${lap}.${position} ${text}\n`);
  }
}

void main();
