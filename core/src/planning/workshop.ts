/** What hands must know for a step; who works here has some of them, or all. */
export const skills = ['desk', 'plaster', 'wax', 'denture', 'metal', 'ceramic', 'finish'] as const
export type Skill = (typeof skills)[number]
export const skillNames: Readonly<Record<Skill, string>> = {
  desk: 'Desk and papers',
  plaster: 'Plaster, trimming, mounting',
  wax: 'Setting up and waxing',
  denture: 'Flasking, packing, remount',
  metal: 'Investing and casting',
  ceramic: 'Ceramics',
  finish: 'Finishing and polishing',
}

/** Places of the workshop that a step takes and others have to wait for; how many there are, the lab says. */
export const stations = [
  'mixer',
  'trimmer',
  'articulator',
  'flask',
  'clamp',
  'press',
  'boiler',
  'pressurePot',
  'arm',
  'blaster',
  'lathe',
  'ultrasonic',
  'lightBox',
  'dryingRack',
  'dryingOven',
] as const
export type Station = (typeof stations)[number]
export const stationNames: Readonly<Record<Station, string>> = {
  mixer: 'Vacuum mixer',
  trimmer: 'Model trimmer',
  articulator: 'Articulators',
  flask: 'Flasks',
  clamp: 'Clamps',
  press: 'Flask press',
  boiler: 'Boil-out bath',
  pressurePot: 'Pressure pot',
  arm: 'Casting arm',
  blaster: 'Blaster',
  lathe: 'Polishing lathe',
  ultrasonic: 'Ultrasonic bath',
  lightBox: 'Light box',
  dryingRack: 'Drying rack',
  dryingOven: 'Drying oven',
}
