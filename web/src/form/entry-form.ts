import { DomainError, type Saying } from '@yentrik/core'
import { type FormEvent, useEffect } from 'react'
import {
  type Control,
  type DefaultValues,
  type FieldErrors,
  type FieldPath,
  type FieldPathValue,
  type FieldValues,
  useForm,
  useWatch,
} from 'react-hook-form'
import { Refusal } from '../live/request.ts'
import { refusalWords } from '../parts/attempt.ts'
import { dropDraft, storeDraft, storedDraft } from '../parts/draft.ts'
import { useWords } from '../preferences/words.tsx'

/** What is wrong, by the field that it is wrong with. */
export type Faults<T extends FieldValues> = { readonly [F in FieldPath<T>]?: Saying | undefined }

/** A form as its fields and its button see it. Everything in it is text as typed. */
export interface EntryForm<T extends FieldValues> {
  readonly control: Control<T>
  /** As they are typed now. */
  readonly values: T
  readonly set: <F extends FieldPath<T>>(field: F, value: FieldPathValue<T, F>) => void
  /** What is wrong with the whole, or with something that is no field of it. */
  readonly fault: string | undefined
  /** Whether any field is marked. */
  readonly wrong: boolean
  readonly busy: boolean
  /** For the `onSubmit` of the form. */
  readonly submit: (event?: FormEvent) => void
  /** Begins again with the start values; the draft is dropped. */
  readonly forget: () => void
}

interface FormWish<T extends FieldValues> {
  /** Under which what is typed is kept over a reload and a visit elsewhere; none: nothing is kept, as of a passphrase. */
  readonly draftKey?: string
  readonly start: () => T
  /** Looks at what is typed before it is sent. */
  readonly check?: (values: T) => Faults<T>
  /**
   * Stores it. A refusal of the core or the server stands beside the field that it names; what is typed stays.
   * @returns false: it was not stored, and somebody else says why; the draft stays
   */
  readonly store: (values: T) => Promise<unknown>
  /** Fields that the form shows, for refusals that name one of them under another name. */
  readonly fieldOf?: (named: string) => FieldPath<T> | undefined
  /** What stays in the form once it is stored; left out: it begins again. */
  readonly keeps?: (values: T) => T
}

/** A form whose entries stay until they are stored. */
export function useEntryForm<T extends FieldValues>({
  draftKey,
  start,
  check = () => ({}),
  store,
  fieldOf = (named) => named as FieldPath<T>,
  keeps,
}: FormWish<T>): EntryForm<T> {
  const say = useWords()
  const form = useForm<T>({
    defaultValues: ((draftKey && storedDraft<T>(draftKey)) ?? start()) as DefaultValues<T>,
    resolver: (values) => {
      const errors = Object.fromEntries(
        (Object.entries(check(values)) as [string, Saying | undefined][]).flatMap(([field, fault]) =>
          fault === undefined ? [] : [[field, { type: 'check', message: say(fault) }]],
        ),
      ) as FieldErrors<T>
      return Object.keys(errors).length > 0 ? { values: {}, errors } : { values, errors: {} }
    },
  })
  const { control, reset, setError, setValue, getValues, handleSubmit, formState, subscribe } = form
  const values = useWatch({ control }) as T
  useEffect(
    () =>
      subscribe({
        formState: { values: true },
        callback: ({ values: typed }) => {
          if (draftKey) storeDraft(draftKey, typed)
        },
      }),
    [subscribe, draftKey],
  )
  const begin = (next: T) => {
    reset(next)
    if (draftKey) dropDraft(draftKey)
  }
  const refuse = (error: unknown) => {
    const [named, words] =
      error instanceof DomainError
        ? [error.field, refusalWords(error)]
        : error instanceof Refusal
          ? [error.problem.field, error.said]
          : [undefined, undefined]
    if (words === undefined) throw error
    const field = named === undefined ? undefined : fieldOf(named)
    const known = field !== undefined && field in getValues()
    setError(known ? field : 'root', { type: 'refused', message: say(words) })
  }
  const submit = handleSubmit(async (typed) => {
    try {
      if ((await store(typed as T)) !== false) begin(keeps?.(typed as T) ?? start())
    } catch (error) {
      refuse(error)
    }
  })
  return {
    control,
    values,
    set: (field, value) =>
      setValue(field, value, { shouldDirty: true, shouldValidate: formState.isSubmitted }),
    fault: formState.errors.root?.message,
    wrong: Object.keys(formState.errors).some((field) => field !== 'root'),
    busy: formState.isSubmitting,
    submit: (event) => void submit(event),
    forget: () => begin(start()),
  }
}
