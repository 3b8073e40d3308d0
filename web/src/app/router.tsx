import { createBrowserRouter } from 'react-router'
import { BenchScreen } from '../bench/BenchScreen.tsx'
import { Waiting } from '../parts/Message.tsx'
import { NotFound } from './NotFound.tsx'
import { Shell } from './Shell.tsx'

/** Bench loads with the first view; every other screen when it is asked for. */
export const router = createBrowserRouter([
  {
    path: '/',
    Component: Shell,
    ErrorBoundary: NotFound,
    hydrateFallbackElement: <Waiting />,
    children: [
      { index: true, Component: BenchScreen },
      {
        path: 'cases',
        lazy: async () => ({ Component: (await import('../case/CasesScreen.tsx')).CasesScreen }),
      },
      {
        path: 'cases/new',
        lazy: async () => ({ Component: (await import('../case/IntakeScreen.tsx')).IntakeScreen }),
      },
      {
        path: 'case/:caseId',
        lazy: async () => ({ Component: (await import('../case/CaseScreen.tsx')).CaseScreen }),
      },
      {
        path: 'instruments',
        lazy: async () => ({
          Component: (await import('../instruments/InstrumentsScreen.tsx')).InstrumentsScreen,
        }),
      },
      { path: 'mix', lazy: async () => ({ Component: (await import('../mixing/MixScreen.tsx')).MixScreen }) },
      {
        path: 'trim',
        lazy: async () => ({ Component: (await import('../trimming/TrimScreen.tsx')).TrimScreen }),
      },
      {
        path: 'mount',
        lazy: async () => ({ Component: (await import('../mounting/MountScreen.tsx')).MountScreen }),
      },
      {
        path: 'survey',
        lazy: async () => ({ Component: (await import('../survey/SurveyScreen.tsx')).SurveyScreen }),
      },
      {
        path: 'set-up',
        lazy: async () => ({ Component: (await import('../setup/SetUpScreen.tsx')).SetUpScreen }),
      },
      {
        path: 'cast',
        lazy: async () => ({ Component: (await import('../casting/CastScreen.tsx')).CastScreen }),
      },
      {
        path: 'cure',
        lazy: async () => ({ Component: (await import('../curing/CureScreen.tsx')).CureScreen }),
      },
      {
        path: 'remount',
        lazy: async () => ({ Component: (await import('../occlusion/RemountScreen.tsx')).RemountScreen }),
      },
      {
        path: 'remount/practise',
        lazy: async () => ({ Component: (await import('../occlusion/TrainerScreen.tsx')).TrainerScreen }),
      },
      {
        path: 'finish',
        lazy: async () => ({ Component: (await import('../finishing/FinishScreen.tsx')).FinishScreen }),
      },
      {
        path: 'fire',
        lazy: async () => ({ Component: (await import('../ceramic/FireScreen.tsx')).FireScreen }),
      },
      {
        path: 'plan',
        lazy: async () => ({ Component: (await import('../plan/PlanScreen.tsx')).PlanScreen }),
      },
      {
        path: 'practise',
        lazy: async () => ({ Component: (await import('../practice/PractiseScreen.tsx')).PractiseScreen }),
      },
      {
        path: 'practise/drill/:drill',
        lazy: async () => ({ Component: (await import('../practice/DrillScreen.tsx')).DrillScreen }),
      },
      {
        path: 'practise/:practiceId',
        lazy: async () => ({ Component: (await import('../practice/DebriefScreen.tsx')).DebriefScreen }),
      },
      {
        path: 'quality/:view?',
        lazy: async () => ({ Component: (await import('../quality/QualityScreen.tsx')).QualityScreen }),
      },
      {
        path: 'papers/quality',
        lazy: async () => ({ Component: (await import('../papers/QualityPaper.tsx')).QualityPaper }),
      },
      {
        path: 'handbook/:page?',
        lazy: async () => ({ Component: (await import('../handbook/HandbookScreen.tsx')).HandbookScreen }),
      },
      {
        path: 'papers/exam/:practiceId',
        lazy: async () => ({ Component: (await import('../papers/ExamPaper.tsx')).ExamPaper }),
      },
      {
        path: 'shelf',
        lazy: async () => ({ Component: (await import('../shelf/ShelfScreen.tsx')).ShelfScreen }),
      },
      {
        path: 'settings',
        lazy: async () => ({ Component: (await import('./SettingsScreen.tsx')).SettingsScreen }),
      },
      {
        path: 'papers/record/:caseId',
        lazy: async () => ({ Component: (await import('../papers/RecordPaper.tsx')).RecordPaper }),
      },
      {
        path: 'papers/docket/:caseId',
        lazy: async () => ({ Component: (await import('../papers/DocketPaper.tsx')).DocketPaper }),
      },
      {
        path: 'papers/trim/:caseId',
        lazy: async () => ({ Component: (await import('../papers/TrimPaper.tsx')).TrimPaper }),
      },
      {
        path: 'papers/set-up/:caseId',
        lazy: async () => ({ Component: (await import('../papers/SetUpPaper.tsx')).SetUpPaper }),
      },
      {
        path: 'papers/statement/:caseId',
        lazy: async () => ({ Component: (await import('../papers/StatementPaper.tsx')).StatementPaper }),
      },
      {
        path: 'papers/label/:caseId',
        lazy: async () => ({ Component: (await import('../papers/LabelPaper.tsx')).LabelPaper }),
      },
      {
        path: 'papers/instructions/:caseId',
        lazy: async () => ({
          Component: (await import('../papers/InstructionsPaper.tsx')).InstructionsPaper,
        }),
      },
      {
        path: 'papers/delivery/:caseId',
        lazy: async () => ({ Component: (await import('../papers/DeliveryPaper.tsx')).DeliveryPaper }),
      },
      {
        path: 'papers/plan/:days',
        lazy: async () => ({ Component: (await import('../papers/PlanPaper.tsx')).PlanPaper }),
      },
      {
        path: 'papers/commands',
        lazy: async () => ({ Component: (await import('../papers/CommandSheet.tsx')).CommandSheet }),
      },
      { path: '*', Component: NotFound },
    ],
  },
])
