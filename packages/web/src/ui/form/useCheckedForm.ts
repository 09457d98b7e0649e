/**
 * A form that is checked by the contract's own schema before anything is sent, and that says at its fields what the shop refused.
 */
import { zodResolver } from '@hookform/resolvers/zod';
import { useMemo } from 'react';
import { type DefaultValues, type FieldErrors, type FieldValues, set, useForm } from 'react-hook-form';
import type { z } from 'zod';
import type { FieldProblem } from '../problemFields';

/**
 * @param start what stands in it at first
 * @param refused what the shop said of it, by the path of the field; the same list until it says something else
 * @param mode when a slip is said: on sending it and from then on, or while it is typed
 */
export function useCheckedForm<Typed extends FieldValues, Read extends FieldValues>(
  schema: z.ZodType<Read, Typed>,
  start: Typed,
  refused: readonly FieldProblem[],
  mode: 'onSubmit' | 'onChange' = 'onSubmit',
) {
  const errors = useMemo(() => {
    const told: FieldErrors<Typed> = {};
    for (const { path, message } of refused) set(told, path, { type: 'refused', message });
    return told;
  }, [refused]);
  return useForm<Typed, unknown, Read>({
    resolver: zodResolver(schema),
    defaultValues: start as DefaultValues<Typed>,
    errors,
    mode,
  });
}
