/** Who offers this part, under which number, in which pack, for how much, by when. */
import { MOST_OFFERS } from '@low-quarry/core/catalogue';
import { useFieldArray } from 'react-hook-form';
import { Button } from '../../ui/Button';
import { FormDay } from '../../ui/form/FormDay';
import { FormText } from '../../ui/form/FormText';
import { PartForm } from './PartForm';
import { NEW_OFFER, type OffersControl, offersTypedSchema, readOffersSchema, toOffersTyped } from './typedOffers';
import { type PartFormProps, usePartForm } from './usePartForm';

/** @param currency the shop's own */
export function OffersForm({ currency, ...part }: PartFormProps & { readonly currency: string }) {
  const { control, frame } = usePartForm({
    ...part,
    ...{ name: 'offers', typedSchema: offersTypedSchema, readSchema: readOffersSchema },
    toTyped: ({ offers }) => toOffersTyped(offers),
    saved: 'The offers are saved.',
  });
  const { fields, append, remove } = useFieldArray({ control, name: 'offers' });
  return (
    <PartForm frame={frame} save="Save the offers">
      {fields.length === 0 && (
        <p className="font-semibold text-measure">
          Nobody is known to sell it: it cannot be ordered, and its price is not known.
        </p>
      )}
      {fields.map(({ id }, at) => (
        <OneOffer key={id} control={control} at={at} currency={currency} onRemove={() => remove(at)} />
      ))}
      {fields.length < MOST_OFFERS && (
        <Button className="self-start" onClick={() => append(NEW_OFFER)}>
          Add an offer
        </Button>
      )}
    </PartForm>
  );
}

type OneOfferProps = {
  readonly control: OffersControl;
  readonly at: number;
  readonly currency: string;
  readonly onRemove: () => void;
};

function OneOffer({ control, at, currency, onRemove }: OneOfferProps) {
  const text = (name: Exclude<keyof typeof NEW_OFFER, 'stockAsOf'>, label: string, hint?: string) => (
    <FormText
      control={control}
      name={`offers.${at}.${name}`}
      label={label}
      hint={hint}
      autoComplete="off"
      inputMode={name === 'supplier' || name === 'number' || name === 'currency' ? 'text' : 'decimal'}
    />
  );
  return (
    <fieldset className="grid grid-cols-2 gap-x-3 gap-y-1 border-l-4 border-hairline pl-3 sm:grid-cols-3 lg:grid-cols-5">
      <legend className="mb-1 font-semibold">Offer {at + 1}</legend>
      {text('supplier', 'Supplier')}
      {text('number', 'Supplier’s number')}
      {text('packSize', 'Pieces in a pack')}
      {text('packPriceMinor', 'Price of a pack', 'Empty where nobody asked.')}
      {text('currency', 'Currency', `Empty for ${currency}.`)}
      {text('leadDays', 'Working days until here', 'Empty where nobody knows.')}
      {text('leastPacks', 'Packs at least')}
      {text('inStock', 'Pieces in stock', 'Empty where nobody asked.')}
      <FormDay control={control} name={`offers.${at}.stockAsOf`} label="In stock on" />
      <Button kind="quiet" className="self-center justify-self-start" onClick={onRemove}>
        Take offer {at + 1} off
      </Button>
    </fieldset>
  );
}
