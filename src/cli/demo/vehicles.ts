import type { AxleForm, VehicleForm } from '../../core/contracts';

/** The invented workshop's fleet and what is wrong with it. */
type Limits = Partial<
  Record<keyof AxleForm['limits'], [string, AxleForm['limits']['discard']['source']]>
>;

function axle(
  fastening: AxleForm['fastening'],
  studs: number,
  limits: Limits,
  places: AxleForm['places'] = 'any',
  strip: Pick<AxleForm, 'caliper' | 'pistons' | 'traits' | 'rotorKg' | 'thread'> = {},
): AxleForm {
  const of = (kind: keyof AxleForm['limits']): AxleForm['limits']['discard'] => {
    const [length, source] = limits[kind] ?? ['', 'maker' as const];
    return { length, source };
  };
  return {
    fastening,
    studs: String(studs),
    places,
    ...strip,
    limits: {
      nominal: of('nominal'),
      machineTo: of('machineTo'),
      discard: of('discard'),
      runout: of('runout'),
      dtv: of('dtv'),
      radius: of('radius'),
      piston: of('piston'),
      drumNominal: of('drumNominal'),
      drumMachineTo: of('drumMachineTo'),
      drumDiscard: of('drumDiscard'),
      drumRound: of('drumRound'),
    },
  };
}

const heavy: Limits = {
  nominal: ['28 mm', 'maker'],
  machineTo: ['26.5 mm', 'maker'],
  discard: ['26 mm', 'stamped'],
  runout: ['0.05 mm', 'maker'],
  dtv: ['0.012 mm', 'maker'],
  radius: ['135 mm', 'other'],
};
const light: Limits = {
  nominal: ['22 mm', 'maker'],
  discard: ['20 mm', 'stamped'],
  radius: ['118 mm', 'other'],
};
const rear: Limits = {
  nominal: ['12 mm', 'maker'],
  discard: ['10 mm', 'stamped'],
  runout: ['0.08 mm', 'maker'],
  radius: ['128 mm', 'other'],
};

const drums: Limits = {
  drumNominal: ['228 mm', 'maker'],
  drumMachineTo: ['229 mm', 'maker'],
  drumDiscard: ['229.5 mm', 'stamped'],
};

export const VEHICLES: Readonly<Record<string, VehicleForm>> = {
  shuttle: {
    plate: 'SK-042-K',
    make: 'Pellick',
    model: 'Tern shuttle minibus',
    tyre: '215/65R16',
    finalDrive: '3.9',
    year: '2019',
    drive: 'rear',
    massKg: '2850',
    front: axle('studs', 6, heavy, 'any', {
      pistons: '2',
      rotorKg: '9.2',
      traits: ['wear-sensor', 'lock-nuts'],
    }),
    rear: axle('studs', 6, rear),
  },
  bakery: {
    plate: 'SK-017-B',
    make: 'Osgrave',
    model: 'Batch delivery van',
    tyre: '205/65R15',
    finalDrive: '4.1',
    year: '2017',
    drive: 'front',
    massKg: '2100',
    front: axle('studs', 5, heavy, 'any', { rotorKg: '8.8' }),
    rear: axle('studs', 5, rear),
  },
  nurse: {
    plate: 'SK-108-N',
    make: 'Velloway',
    model: 'Minnow hatchback',
    tyre: '185/60R15',
    finalDrive: '',
    year: '2021',
    drive: 'front',
    massKg: '1180',
    front: axle('bolts', 4, light, 'as-found', { traits: ['retaining-screw'] }),
    rear: axle('bolts', 4, drums, 'as-found', {
      ...{ caliper: 'drum', pistons: '2', thread: 'M12x1.5' },
      traits: ['retaining-screw', 'electric-parking-brake'],
    }),
  },
  library: {
    plate: 'SK-003-L',
    make: 'Quillon',
    model: 'Folio mobile library',
    tyre: '225/75R16',
    finalDrive: '4.55',
    year: '2014',
    drive: 'rear',
    variant: 'heavy duty',
    massKg: '3900',
    front: axle('studs', 8, heavy, 'any', { caliper: 'fixed', pistons: '4' }),
    rear: axle('studs', 8, rear),
  },
  rescue: {
    plate: 'SK-077-R',
    make: 'Osgrave',
    model: 'Tor rescue estate',
    tyre: '215/60R16',
    finalDrive: '3.45',
    year: '2020',
    drive: 'all',
    massKg: '1950',
    front: axle('bolts', 5, heavy, 'any', { rotorKg: '8.4' }),
    rear: axle('bolts', 5, rear),
  },
  vineyard: {
    plate: 'SK-131-V',
    make: 'Quillon',
    model: 'Trellis pickup',
    tyre: '245/70R16',
    finalDrive: '3.73',
    year: '2016',
    drive: 'all',
    massKg: '2250',
    wheel: 'steel',
    front: axle('studs', 6, heavy),
    rear: axle('studs', 6, { ...rear, piston: ['42 mm', 'maker'] }, 'any', {
      pistons: '1',
      traits: ['drum-in-hat', 'rigid-line'],
    }),
  },
};
