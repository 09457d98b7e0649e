/**
 * What was typed into number fields and could not be read: part of the draft like everything else that was typed, and known to the
 * form without a look at the page. A field is named by where it stands and by its label; one that has gone from the screen keeps
 * nothing from being saved.
 */
import { createContext, type ReactNode, useContext, useEffect, useId, useMemo, useRef } from 'react';
import { Loading } from './states';

/** By field: the text as it was typed. */
export type UnreadTexts = Readonly<Record<string, string>>;

/** The fields that are on the screen, and the places on it to which fields are still to come. */
export type MountedFields = { readonly fields: Set<string>; readonly coming: Set<string> };

type Unread = {
  readonly texts: UnreadTexts;
  readonly note: (field: string, text: string | null) => void;
  readonly mounted: MountedFields;
};

const UnreadContext = createContext<Unread | null>(null);
const PlaceContext = createContext('');

export function UnreadProvider({
  texts,
  onNote,
  mounted,
  children,
}: {
  readonly texts: UnreadTexts;
  readonly onNote: (field: string, text: string | null) => void;
  /** Kept here. */
  readonly mounted: MountedFields;
  readonly children: ReactNode;
}) {
  const value = useMemo(() => ({ texts, note: onNote, mounted }), [texts, onNote, mounted]);
  return <UnreadContext value={value}>{children}</UnreadContext>;
}

/** Fields below it are those of this part of a record. */
export function FieldsAt({ place, children }: { readonly place: string; readonly children: ReactNode }) {
  const above = useContext(PlaceContext);
  return <PlaceContext value={`${above}${place}/`}>{children}</PlaceContext>;
}

/** In the place of fields whose code is still coming: until then nobody knows which of the texts are theirs. */
export function FieldsComing({ what }: { readonly what: string }) {
  const coming = useContext(UnreadContext)?.mounted.coming;
  const place = useId();
  useEffect(() => {
    coming?.add(place);
    return () => void coming?.delete(place);
  }, [coming, place]);
  return <Loading what={what} />;
}

/** The text of a field that could not be read, and how to note it; none outside a form that keeps them. */
export function useUnreadText(label: string): {
  readonly text: string | null;
  /** Whether the form keeps it: otherwise the field has to. */
  readonly isKept: boolean;
  readonly note: (text: string | null) => void;
} {
  const unread = useContext(UnreadContext);
  const field = `${useContext(PlaceContext)}${label}`;
  const fields = unread?.mounted.fields;
  useEffect(() => {
    fields?.add(field);
    return () => void fields?.delete(field);
  }, [fields, field]);
  const text = unread?.texts[field] ?? null;
  const note = (next: string | null) => {
    if (next !== text) unread?.note(field, next);
  };
  return { text, isKept: unread !== null, note };
}

/** @returns whether any field that is on the screen, or still comes there, holds what could not be read */
export function useUnreadFields(texts: UnreadTexts): {
  readonly mounted: MountedFields;
  readonly isAny: () => boolean;
} {
  const mounted = useRef({ fields: new Set<string>(), coming: new Set<string>() }).current;
  const mayBeThere = (field: string) => mounted.fields.has(field) || mounted.coming.size > 0;
  return { mounted, isAny: () => Object.keys(texts).some(mayBeThere) };
}

/** The texts with one noted, or taken out with null. */
export function withUnread(texts: UnreadTexts, field: string, text: string | null): UnreadTexts {
  const { [field]: _, ...others } = texts;
  return text === null ? others : { ...others, [field]: text };
}
