import { CastingRoom1764100000000 } from './casting-room.ts'
import { CeramicsRoom1764700000000 } from './ceramics-room.ts'
import { CommandKeys1764600000000 } from './command-keys.ts'
import { EventsByTime1764300000000 } from './events-by-time.ts'
import { FirstTables1700000000000 } from './first-tables.ts'
import { LinkedEvents1764400000000 } from './linked-events.ts'
import { PlasterRoom1764000000000 } from './plaster-room.ts'
import { PracticeRoom1764800000000 } from './practice-room.ts'
import { QualityRoom1764900000000 } from './quality-room.ts'
import { SessionsAndPeople1764500000000 } from './sessions-and-people.ts'
import { Thermometers1764200000000 } from './thermometers.ts'

/** Every change of the tables since the first, in their order. */
export const migrations = [
  FirstTables1700000000000,
  PlasterRoom1764000000000,
  CastingRoom1764100000000,
  Thermometers1764200000000,
  EventsByTime1764300000000,
  LinkedEvents1764400000000,
  SessionsAndPeople1764500000000,
  CommandKeys1764600000000,
  CeramicsRoom1764700000000,
  PracticeRoom1764800000000,
  QualityRoom1764900000000,
]
