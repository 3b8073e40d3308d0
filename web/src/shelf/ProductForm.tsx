import type { Body } from '@yentrik/contract'
import {
  agentNames,
  disinfectingAgents,
  type LabProduct,
  type MaterialCard,
  productFlags,
} from '@yentrik/core'
import { useEntryForm } from '../form/entry-form.ts'
import { FormNumber, FormPills, FormText } from '../form/fields.tsx'
import { ratio } from '../format/format.ts'
import { request } from '../live/request.ts'
import { Message } from '../parts/Message.tsx'
import { useWords } from '../preferences/words.tsx'
import {
  clockFields,
  fieldOfProduct,
  figuresOf,
  isZirconia,
  productEntryFaults,
  productOf,
  type TypedProduct,
  typedProduct,
} from './product-entry.ts'

interface ProductFormProps {
  readonly classCard: MaterialCard
  /** The one to change; none: a new one. */
  readonly product?: LabProduct
  readonly onDone: () => void
}

/** What the pack says otherwise; everything left empty is inherited from the class. */
export function ProductForm({ classCard, product, onDone }: ProductFormProps) {
  const say = useWords()
  const form = useEntryForm<TypedProduct>({
    draftKey: `product ${classCard.id} ${product?.productId ?? 'new'}`,
    start: () => typedProduct(product),
    check: (typed) => productEntryFaults(typed, classCard, product),
    fieldOf: fieldOfProduct,
    store: async (typed) => {
      const body: Body<'POST /products'> = productOf(typed, classCard, product)
      if (product) await request('PUT /products/:productId', { path: { productId: product.productId }, body })
      else await request('POST /products', { body })
      onDone()
    },
  })
  const weighed = classCard.measure?.by === 'mass' ? classCard.measure : undefined
  const faulty = Object.values(productEntryFaults(form.values, classCard, product)).some(
    (fault) => fault !== undefined,
  )
  const flags = faulty
    ? []
    : productFlags({ ...productOf(form.values, classCard, product), productId: 'tried' }, classCard)
  return (
    <form
      className="grid gap-3"
      onSubmit={form.submit}
      noValidate
      aria-label={product ? `Change ${product.name}` : 'New product'}
    >
      <div className="grid gap-3 sm:grid-cols-2">
        <FormText form={form} name="name" label="Name in this lab" autoFocus={!product} />
        <FormText form={form} name="source" label="Where it stands" />
      </div>
      <div className="grid gap-x-3 sm:grid-cols-3">
        {weighed && (
          <>
            <FormNumber
              form={form}
              name="millilitresPerGram"
              label="Ratio"
              unit="mL/g"
              hint={`class ${ratio(weighed.minMillilitresPerGram)}-${ratio(weighed.maxMillilitresPerGram)}`}
            />
            <FormNumber form={form} name="bagGrams" label="Bag" unit="g" />
          </>
        )}
        <FormNumber
          form={form}
          name="densityGramsPerCm3"
          label="Density"
          unit="g/cm3"
          hint={classCard.density && `class ${classCard.density.gramsPerCm3}`}
        />
        {!classCard.alloy &&
          classCard.family !== 'disinfectant' &&
          classCard.family !== 'ceramic' &&
          clockFields.map(({ field, of, label }) => (
            <FormNumber
              key={field}
              form={form}
              name={field}
              label={label}
              unit="min"
              hint={classCard.clock && `class ${classCard.clock[of]}`}
            />
          ))}
        {figuresOf(classCard).map(({ field, label, unit, hint }) => (
          <FormNumber key={field} form={form} name={field} label={label} unit={unit} hint={hint} />
        ))}
      </div>
      {classCard.family === 'disinfectant' && (
        <FormPills
          form={form}
          name="agent"
          label="What works in it"
          options={disinfectingAgents.map((agent) => [agent, agentNames[agent]] as const)}
        />
      )}
      {classCard.ceramic && (
        <>
          <FormText form={form} name="blockColour" label="Colour, glazed: L*, a*, b* (D65)" />
          <FormText
            form={form}
            name="gradedBlock"
            label="Graded block: neck, body, edge or sides with L*, a*, b*, one line each"
            lines={3}
          />
        </>
      )}
      {isZirconia(classCard) && (
        <FormPills
          form={form}
          name="fastSinter"
          label="Marked for fast sintering"
          options={[
            ['no', 'No'],
            ['yes', 'Yes'],
          ]}
        />
      )}
      {product?.stain && (
        <p className="text-sm">{`Calibrated ${product.stain.calibratedOn} with lot ${product.stain.lot}: its film stays. Read drawdowns again on the Fire screen.`}</p>
      )}
      {classCard.investment && (
        <>
          <FormPills
            form={form}
            name="hotEntry"
            label="Marked for a hot furnace"
            options={[
              ['no', 'No'],
              ['yes', 'Yes'],
            ]}
          />
          <FormText
            form={form}
            name="settingExpansion"
            label="Expansion: special liquid %, setting % and, if printed, thermal %, one line each"
            lines={3}
          />
          <FormText
            form={form}
            name="thermalCurve"
            label="Thermal curve: °C and expansion %, a pair a line"
            lines={3}
          />
        </>
      )}
      {form.fault && <Message tone="error">{form.fault}</Message>}
      {flags.map(say).map((flag) => (
        <Message key={flag} tone="warning">
          {flag} It can be stored all the same: the pack wins.
        </Message>
      ))}
      <div className="flex gap-2">
        <button type="submit" className="act-main" disabled={form.busy}>
          Store
        </button>
        <button
          type="button"
          className="act"
          onClick={() => {
            form.forget()
            onDone()
          }}
        >
          Leave it
        </button>
      </div>
    </form>
  )
}
