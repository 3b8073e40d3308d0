/** What follows from a check. `say` is the next hand movement, or the question for the dentist. */
export type Outcome =
  | { readonly verdict: 'pass' }
  | { readonly verdict: 'adjust'; readonly say: string }
  | { readonly verdict: 'goBack'; readonly toStepId: string; readonly say: string }
  | { readonly verdict: 'remake'; readonly toStepId: string; readonly say: string }
  | { readonly verdict: 'askDentist'; readonly say: string }
