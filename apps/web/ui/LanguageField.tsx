'use client';
import { useMemo, useState } from 'react';
import { ComboBox, Input, Label, ListBox, ListBoxItem, Popover, Text } from 'react-aria-components';
import styled from 'styled-components';
import { fieldHint, fieldBox, fieldLabel } from './Field';

const Box = styled(ComboBox)`
  > label {
    ${fieldLabel}
  }
  > input {
    ${fieldBox}
    min-height: 2.125rem;
  }
  > [slot='description'] {
    ${fieldHint}
  }
`;
const Names = styled(Popover)`
  width: var(--trigger-width);
  background: var(--sheet);
  color: var(--ink);
  border: 1px solid var(--edge);
  [role='listbox'] {
    max-height: 16rem;
    overflow: auto;
    outline: none;
  }
  [role='option'] {
    padding: 0.3rem 0.7rem;
    min-height: 1.875rem;
    cursor: pointer;
  }
  [role='option'][data-focused] {
    background: var(--gallWash);
    box-shadow: inset 4px 0 0 var(--gall);
  }
`;

interface Language {
  tag: string;
  /** In English, and in the language itself where that is another word. */
  name: string;
}

const english = new Intl.DisplayNames(['en'], { type: 'language', fallback: 'none' });

/** Languages with a tag of two letters (ISO 639-1), by their English names. */
let known: Language[] | null = null;

function languages(): Language[] {
  if (known) return known;
  const letters = [...'abcdefghijklmnopqrstuvwxyz'];
  const tags = letters.flatMap((first) => letters.map((second) => first + second));
  known = tags
    .flatMap((tag) => {
      const name = english.of(tag);
      // Tags that were given up stand for others, by whose name they are called.
      return name && new Intl.Locale(tag).language === tag ? [{ tag, name: withOwnName(tag, name) }] : [];
    })
    .sort((a, b) => a.name.localeCompare(b.name, 'en'));
  return known;
}

function withOwnName(tag: string, name: string): string {
  const own = new Intl.DisplayNames([tag], { type: 'language', fallback: 'none' }).of(tag);
  return own && own.toLowerCase() !== name.toLowerCase() ? `${name}, ${own}` : name;
}

/** What a tag stands for, in English; undefined where it is none, or none this browser knows. */
function nameOfTag(tag: string): string | undefined {
  try {
    return english.of(tag);
  } catch {
    return undefined;
  }
}

interface LanguageFieldProps {
  label: string;
  /** The tag, or what was typed and is none. */
  value: string;
  onChange(tag: string): void;
}

/** A language by its name or its tag. Any registered tag will do: the list has those of two letters. */
export function LanguageField({ label, value, onChange }: LanguageFieldProps) {
  const all = useMemo(languages, []);
  const [typed, setTyped] = useState(() => all.find(({ tag }) => tag === value)?.name ?? value);
  const words = typed.trim().toLowerCase();
  const shown = useMemo(
    () => all.filter(({ tag, name }) => tag === words || words.split(/[\s,]+/).every((word) => name.toLowerCase().includes(word))),
    [all, words],
  );
  const type = (next: string) => {
    setTyped(next);
    const wanted = next.trim().toLowerCase();
    const named = all.find(({ name }) => name.toLowerCase() === wanted || name.toLowerCase().split(', ').includes(wanted));
    onChange(named?.tag ?? next.trim());
  };
  const meant = nameOfTag(value);
  return (
    <Box
      allowsCustomValue
      menuTrigger="input"
      inputValue={typed}
      onInputChange={type}
      items={shown}
      onSelectionChange={(key) => {
        const one = all.find(({ tag }) => tag === key);
        if (!one) return;
        setTyped(one.name);
        onChange(one.tag);
      }}
    >
      <Label>{label}</Label>
      <Input />
      <Text slot="description">{meant ? `${value}: ${meant}.` : 'Its name, or its tag: German, or de, or de-AT.'}</Text>
      <Names>
        <ListBox<Language>>
          {({ tag, name }) => (
            <ListBoxItem id={tag} textValue={name}>
              {`${name} (${tag})`}
            </ListBoxItem>
          )}
        </ListBox>
      </Names>
    </Box>
  );
}
