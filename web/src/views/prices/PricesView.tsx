import { money } from '../../ui/format';
import { say, t } from '../../words/words';
import { useState, type FormEvent, type ReactNode } from 'react';
import { Checkbox } from 'react-aria-components';
import styled from 'styled-components';
import { api } from '../../api/client';
import { keys, useCall, usePrices, useSession } from '../../api/queries';
import type { Prices, Tariff } from '../../api/types';
import { color, size } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { Back, FieldRow, Row, TwoColumns } from '../../ui/Layout';
import { Loaded } from '../../ui/Loaded';
import { ProblemNote } from '../../ui/ProblemNote';
import { Lead, Page, Sheet, SheetHead, Sub, Teach, Title } from '../../ui/Sheet';
import { useController } from 'react-hook-form';
import { boolean, object, pipe, record, regex, string, toUpperCase, trim } from 'valibot';
import { CheckedField } from '../../ui/form/CheckedField';
import { CheckedSelect } from '../../ui/form/CheckedSelect';
import { amount, perhapsAmount, said } from '../../ui/form/rules';
import { useChecked } from '../../ui/form/useChecked';

/** What the shop charges: the rates, and what parts cost. The lead changes it. */
export function PricesView() {
  const prices = usePrices();
  return <Loaded query={prices}>{(data) => <Shown prices={data} />}</Loaded>;
}

function Shown({ prices }: { prices: Prices }) {
  const isLead = useSession().data?.person?.role === 'LEAD';
  const tariff = prices.tariff ?? null;
  return (
    <Page>
      <Back to="/stock">{t('web.prices.prices-view.stock')}</Back>
      <Title>
        {tariff === null
          ? t('web.prices.prices-view.the-shop-has-not-said-what')
          : t('web.prices.prices-view.an-hour-of-work-costs-a', {
              money: money(tariff.perHour, tariff.currency),
              money2: money(tariff.minimum, tariff.currency),
            })}
      </Title>
      <Sub>{t('web.prices.prices-view.all-amounts-before-tax-what-was', { isLead: !isLead })}</Sub>
      <TwoColumns $side="minmax(320px, 44%)">
        <Sheet>
          <SheetHead>
            <Lead>{t('web.prices.prices-view.work')}</Lead>
          </SheetHead>
          <Work
            key={JSON.stringify(tariff)}
            prices={prices}
            tariff={tariff ?? EMPTY}
            isLead={isLead}
          />
        </Sheet>
        <Parts prices={prices} isLead={isLead} />
      </TwoColumns>
    </Page>
  );
}

const EMPTY: Tariff = {
  currency: 'EUR',
  perHour: 0,
  perHourOf: {},
  minimum: 0,
  taxPercent: 0,
  taxShown: true,
};

interface WorkProps {
  prices: Prices;
  tariff: Tariff;
  isLead: boolean;
}

const TARIFF = object({
  currency: pipe(
    string(),
    trim(),
    regex(/^[A-Za-z]{3}$/, () => t('web.prices.prices-view.three-letters-for-the-currency')),
    toUpperCase(),
  ),
  perHour: amount(),
  minimum: amount(),
  taxPercent: amount(),
  taxShown: boolean(),
  /** Of a course, where it is not the usual one. */
  perHourOf: record(string(), perhapsAmount()),
});

function Work({ prices, tariff, isLead }: WorkProps) {
  const call = useCall(keys.prices, ['job']);
  const form = useChecked(TARIFF, {
    currency: tariff.currency,
    perHour: String(tariff.perHour),
    minimum: String(tariff.minimum),
    taxPercent: String(tariff.taxPercent),
    taxShown: tariff.taxShown,
    perHourOf: Object.fromEntries(
      prices.courses.map(({ course }) => [course, String(tariff.perHourOf[course] ?? '')]),
    ),
  });
  const taxShown = useController({ control: form.control, name: 'taxShown' }).field;
  const rate = { control: form.control, isDisabled: !isLead, inputMode: 'decimal' } as const;
  const submit = form.handleSubmit(({ perHourOf, ...rest }) => {
    const given = Object.entries(perHourOf).flatMap(([course, of]) =>
      of === null ? [] : [[course, of] as const],
    );
    call.mutate(() =>
      api.PUT('/api/prices/tariff', { body: { ...rest, perHourOf: Object.fromEntries(given) } }),
    );
  });
  return (
    <Form onSubmit={submit}>
      <Row>
        <CheckedField
          {...rate}
          name="currency"
          label={t('web.prices.prices-view.currency')}
          inputMode="text"
        />
        <CheckedField {...rate} name="perHour" label={t('web.prices.prices-view.an-hour')} />
        <CheckedField {...rate} name="minimum" label={t('web.prices.prices-view.at-least')} />
        <CheckedField {...rate} name="taxPercent" label={t('web.prices.prices-view.tax')} />
      </Row>
      <Tick isSelected={taxShown.value} onChange={taxShown.onChange} isDisabled={!isLead}>
        {({ isSelected }) => (
          <>
            {say('web.prices.prices-view.owners-are-told-amounts-with-the', {
              span: (words: ReactNode) => <span aria-hidden>{words}</span>,
              isSelected,
            })}
          </>
        )}
      </Tick>
      <p>{t('web.prices.prices-view.an-hour-of-some-work-may')}</p>
      <Rates>
        {prices.courses.map(({ course, words }) => (
          <CheckedField key={course} {...rate} name={`perHourOf.${course}`} label={words} />
        ))}
      </Rates>
      {call.isError && <ProblemNote error={call.error} />}
      {call.isSuccess && (
        <strong role="status">{t('web.prices.prices-view.kept-it-holds-from-now-on')}</strong>
      )}
      {isLead && (
        <Button primary type="submit" isPending={call.isPending}>
          {t('web.prices.prices-view.keep-it')}
        </Button>
      )}
    </Form>
  );
}

function Parts({ prices, isLead }: { prices: Prices; isLead: boolean }) {
  const call = useCall(keys.prices, ['job']);
  const currency = prices.tariff?.currency ?? 'EUR';
  return (
    <Sheet>
      <SheetHead>
        <Lead>{t('web.prices.prices-view.parts')}</Lead>
        <small>{t('web.prices.prices-view.of-a-sort-the-cheapest-is')}</small>
      </SheetHead>
      {prices.prices.length === 0 && (
        <Teach>{t('web.prices.prices-view.no-part-has-a-price-yet')}</Teach>
      )}
      <List>
        {prices.prices.map((price) => (
          <li key={`${price.part} ${price.words}`}>
            <span>
              <b>{price.words}</b>
              <small>{price.partWords}</small>
            </span>
            <span>{money(price.amount, currency)}</span>
            {isLead && (
              <Button
                aria-label={t('web.prices.prices-view.take-off-the-list', { words: price.words })}
                isPending={call.isPending}
                onPress={() =>
                  call.mutate(() =>
                    api.PUT('/api/prices/part', {
                      body: { part: price.part, words: price.words, amount: null },
                    }),
                  )
                }
              >
                {t('web.prices.prices-view.take-off')}
              </Button>
            )}
          </li>
        ))}
      </List>
      {call.isError && <ProblemNote error={call.error} />}
      {isLead && <Add prices={prices} />}
      {isLead && <TakeIn />}
    </Sheet>
  );
}

const PRICE = object({ part: string(), words: said(200), amount: amount() });

function Add({ prices }: { prices: Prices }) {
  const call = useCall(keys.prices, ['job']);
  const form = useChecked(PRICE, { part: prices.sorts[0]?.part ?? '', words: '', amount: '' });
  const submit = form.handleSubmit((body) =>
    call.mutate(() => api.PUT('/api/prices/part', { body }), {
      onSuccess: () => form.reset({ part: body.part, words: '', amount: '' }),
    }),
  );
  return (
    <Below onSubmit={submit}>
      <CheckedSelect
        control={form.control}
        name="part"
        label={t('web.prices.prices-view.sort-of-part')}
        options={prices.sorts.map((sort) => [sort.part, sort.words] as const)}
      />
      <CheckedField
        control={form.control}
        name="words"
        label={t('web.prices.prices-view.what-it-is')}
        maxLength={200}
      />
      <CheckedField
        control={form.control}
        name="amount"
        label={t('web.prices.prices-view.price')}
        inputMode="decimal"
      />
      <Button type="submit" isPending={call.isPending}>
        {t('web.prices.prices-view.put-on-the-list')}
      </Button>
      {call.isError && <ProblemNote error={call.error} />}
    </Below>
  );
}

function TakeIn() {
  const call = useCall<{ lines: number }>(keys.prices, ['job']);
  const [csv, setCsv] = useState('');
  const submit = (event: FormEvent) => {
    event.preventDefault();
    call.mutate(() => api.POST('/api/prices/list', { body: { csv } }), {
      onSuccess: () => setCsv(''),
    });
  };
  return (
    <Below onSubmit={submit}>
      <Field
        label={t('web.prices.prices-view.a-list-as-csv')}
        area
        value={csv}
        onChange={setCsv}
        hint={t('web.prices.prices-view.first-line-part-words-price-a')}
      />
      <Button type="submit" isDisabled={csv.trim() === ''} isPending={call.isPending}>
        {t('web.prices.prices-view.take-the-list-in')}
      </Button>
      {call.isError && <ProblemNote error={call.error} />}
      {call.isSuccess && (
        <strong role="status">
          {t('web.prices.prices-view.lines-were-taken-in', { lines: call.data?.lines })}
        </strong>
      )}
    </Below>
  );
}

const Form = styled.form`
  display: grid;
  gap: 12px;
  padding: 0 16px 16px;
  & > div:first-child > * {
    width: 120px;
  }
  strong {
    color: ${color.clear};
  }
`;

const Tick = styled(Checkbox)`
  display: flex;
  align-items: center;
  gap: 8px;
  min-height: 44px;
  &[data-focus-visible] {
    outline: 3px solid ${color.leanMark};
  }
`;

const Rates = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(220px, 1fr));
  align-items: end;
  gap: 10px 16px;
`;

const List = styled.ul`
  li {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto auto;
    gap: 12px;
    align-items: center;
    min-height: 52px;
    padding: 4px 16px;
    border-top: 1px solid ${color.line};
  }
  small {
    display: block;
    font-size: ${size.small};
    color: ${color.ink2};
  }
`;

const Below = styled(FieldRow)`
  padding: 12px 16px;
  border-top: 1px solid ${color.line};
  strong {
    color: ${color.clear};
  }
`;
