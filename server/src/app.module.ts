import { type DynamicModule, Module } from '@nestjs/common'
import { APP_FILTER, APP_GUARD } from '@nestjs/core'
import { ScheduleModule } from '@nestjs/schedule'
import { TypeOrmModule } from '@nestjs/typeorm'
import { DataSource } from 'typeorm'
import { BackupsController } from './backup/backups.controller.ts'
import { Backups } from './backup/backups.service.ts'
import { BenchController } from './bench/bench.controller.ts'
import { InstrumentUses } from './bench/instrument-uses.service.ts'
import { CalcController } from './calc/calc.controller.ts'
import { CalcService } from './calc/calc.service.ts'
import { CaseDocuments } from './case/case-documents.service.ts'
import { CaseStore } from './case/case-store.ts'
import { CasesController } from './case/cases.controller.ts'
import { CasesService } from './case/cases.service.ts'
import { AlloyPiecesController } from './casting/alloy-pieces.controller.ts'
import { ClockController } from './clock/clock.controller.ts'
import { LabClock } from './clock/lab-clock.ts'
import { dataSourceOptions } from './database/data-source.ts'
import { HeldDataFile } from './database/file-lock.ts'
import { WriteQueue } from './database/write-queue.ts'
import { DemoSeed } from './demo/demo-seed.service.ts'
import { DevicesController } from './devices/devices.controller.ts'
import { DevicesService } from './devices/devices.service.ts'
import { EquipmentController } from './equipment/equipment.controller.ts'
import { ProblemFilter } from './errors/problem.filter.ts'
import { HealthController } from './health.controller.ts'
import { LabController } from './lab/lab.controller.ts'
import { LabSettingsService } from './lab/lab-settings.service.ts'
import { LiveController } from './live/live.controller.ts'
import { LiveService } from './live/live.service.ts'
import { StreamBound } from './live/stream-bound.ts'
import { LotsService } from './materials/lots.service.ts'
import { MaterialsController } from './materials/materials.controller.ts'
import { ShelfCards } from './materials/shelf-cards.service.ts'
import { MixClocksController } from './mixing/mix-clocks.controller.ts'
import { MixClocks } from './mixing/mix-clocks.service.ts'
import { NetworkController, TLS } from './network/network.controller.ts'
import type { Tls } from './network/tls.ts'
import { BenchPins } from './people/bench-pins.ts'
import { FirstStartCode } from './people/first-start-code.ts'
import { PeopleController } from './people/people.controller.ts'
import { PeopleService } from './people/people.service.ts'
import { SessionGuard } from './people/session.guard.ts'
import { Sessions } from './people/sessions.service.ts'
import { SignInWait } from './people/sign-in-wait.ts'
import { PlanFeeds } from './planning/feeds.service.ts'
import { PlanController } from './planning/plan.controller.ts'
import { PlanService } from './planning/plan.service.ts'
import { PlanSettingsService } from './planning/plan-settings.service.ts'
import { DrillsService } from './practice/drills.service.ts'
import { PracticeController } from './practice/practice.controller.ts'
import { PracticeService } from './practice/practice.service.ts'
import { MachineRunsController } from './program/machine-runs.controller.ts'
import { MachineRuns } from './program/machine-runs.service.ts'
import { Thermometers } from './program/thermometers.service.ts'
import { QualityController } from './quality/quality.controller.ts'
import { QualityRecord } from './quality/quality-record.service.ts'
import { RefusalsController } from './refusals.controller.ts'
import { SETTINGS, type ServerSettings } from './settings/server-settings.ts'
import { ToothSetsController } from './setup/tooth-sets.controller.ts'

@Module({})
export class AppModule {
  /** @param letGo lets the data file go, once nothing works with it any more */
  static with(settings: ServerSettings, tls: Tls | undefined, letGo: () => void): DynamicModule {
    return {
      module: AppModule,
      imports: [ScheduleModule.forRoot(), TypeOrmModule.forRoot(dataSourceOptions(settings.dataFile))],
      controllers: [
        HealthController,
        NetworkController,
        PeopleController,
        CasesController,
        BackupsController,
        BenchController,
        MaterialsController,
        CalcController,
        MixClocksController,
        DevicesController,
        LabController,
        ToothSetsController,
        EquipmentController,
        AlloyPiecesController,
        MachineRunsController,
        PlanController,
        PracticeController,
        QualityController,
        ClockController,
        RefusalsController,
        LiveController,
      ],
      providers: [
        Backups,
        InstrumentUses,
        { provide: SETTINGS, useValue: settings },
        { provide: TLS, useValue: tls ?? null },
        {
          provide: HeldDataFile,
          useFactory: (dataSource: DataSource) => new HeldDataFile(dataSource, letGo),
          inject: [DataSource],
        },
        { provide: APP_FILTER, useClass: ProblemFilter },
        { provide: APP_GUARD, useClass: SessionGuard },
        WriteQueue,
        LabSettingsService,
        CalcService,
        LabClock,
        LiveService,
        StreamBound,
        PeopleService,
        Sessions,
        BenchPins,
        SignInWait,
        FirstStartCode,
        ShelfCards,
        LotsService,
        MixClocks,
        DevicesService,
        MachineRuns,
        Thermometers,
        CaseStore,
        CasesService,
        CaseDocuments,
        PlanSettingsService,
        PlanService,
        PlanFeeds,
        PracticeService,
        DrillsService,
        QualityRecord,
        DemoSeed,
      ],
    }
  }
}
