'use client';
import type { Scope } from '@inkwell/core';
import { useEditorState, type Editor } from '@tiptap/react';
import {
  Bold,
  Image,
  Indent,
  Italic,
  Languages,
  Link,
  List,
  ListOrdered,
  Outdent,
  Quote,
  Redo2,
  Table,
  Undo2,
  type LucideIcon,
} from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { Button as AriaButton, Group, ToggleButton, Toolbar } from 'react-aria-components';
import styled, { css } from 'styled-components';
import { Pick } from '@/ui/Field';
import { LanguageSheet } from './LanguageSheet';
import { LinkSheet } from './LinkSheet';
import { ImageSheet } from './ImageSheet';
import type { Chain, SheetOfTools } from './sheetOfTools';
import { TableSheet } from './TableSheet';
import { TableTools } from './TableTools';

const Bar = styled(Toolbar)`
  display: flex;
  flex-wrap: wrap;
  gap: 0.35rem 0.6rem;
  align-items: center;
  padding: 0.35rem 0.75rem;
  background: var(--paper);
  border-bottom: 1px solid var(--line);
  [role='group'] {
    display: flex;
    gap: 0.15rem;
  }
`;
const face = css`
  display: grid;
  place-items: center;
  width: 2rem;
  height: 2rem;
  padding: 0;
  border: 1px solid transparent;
  border-radius: var(--round);
  background: none;
  color: var(--ink);
  cursor: pointer;
  &[data-hovered] {
    background: var(--gallWash);
  }
  &[data-selected] {
    background: var(--gallWash);
    border-color: var(--gall);
    box-shadow: inset 0 -3px 0 var(--gall);
  }
  &[data-disabled] {
    color: var(--quiet);
    opacity: 0.6;
    cursor: default;
  }
`;
const Tool = styled(AriaButton)`
  ${face}
`;
const Toggle = styled(ToggleButton)`
  ${face}
`;

type OpenSheet = 'link' | 'image' | 'table' | 'language' | null;

interface TextToolsProps extends Pick<SheetOfTools, 'editor' | 'engine' | 'page' | 'place'> {
  scope: Scope;
  mayChange: boolean;
  /** An image that was dropped into the text, or pasted: it is described before it is put in. */
  dropped: File | null;
  onDropped(): void;
}

/** What can be done to the text: sound markup alone, each tool by its name. The arrow keys go through them. */
export function TextTools({ editor, engine, page, place, scope, mayChange, dropped, onDropped }: TextToolsProps) {
  const [sheet, setSheet] = useState<OpenSheet>(null);
  const at = useEditorState({ editor, selector: ({ editor: now }) => stateOf(now) });
  const run = (act: (chain: Chain) => Chain) => () => void act(editor.chain().focus()).run();
  const toggle = (name: string, Icon: LucideIcon, on: boolean, act: () => void) => (
    <span title={name}>
      <Toggle aria-label={name} isSelected={on} isDisabled={!mayChange} onChange={act}>
        <Icon size={18} aria-hidden="true" />
      </Toggle>
    </span>
  );
  const tool = (name: string, Icon: LucideIcon, act: () => void, disabled = false) => (
    <span title={name}>
      <Tool aria-label={name} isDisabled={!mayChange || disabled} onPress={act}>
        <Icon size={18} aria-hidden="true" />
      </Tool>
    </span>
  );
  const close = () => {
    setSheet(null);
    onDropped();
  };
  useEffect(() => {
    if (dropped) setSheet('image');
  }, [dropped]);
  const done = useAfterSheet(editor, sheet !== null, close);
  const each = { editor, engine, page, place, onClose: close, onDone: done };
  return (
    <>
      <Bar aria-label="Tools for the text">
        <Pick label="Block" value={at.block} onChange={(block) => setBlock(editor, block)} options={blocksIn(scope)} />
        <Group aria-label="Words">
          {toggle(
            'Strong',
            Bold,
            at.bold,
            run((chain) => chain.toggleBold()),
          )}
          {toggle(
            'Emphasis',
            Italic,
            at.italic,
            run((chain) => chain.toggleItalic()),
          )}
          {tool('Link', Link, () => setSheet('link'))}
          {tool('Language of these words', Languages, () => setSheet('language'), at.empty)}
        </Group>
        <Group aria-label="Blocks">
          {toggle(
            'List',
            List,
            at.list,
            run((chain) => chain.toggleBulletList()),
          )}
          {toggle(
            'Numbered list',
            ListOrdered,
            at.numbered,
            run((chain) => chain.toggleOrderedList()),
          )}
          {tool(
            'Increase indent',
            Indent,
            run((chain) => chain.sinkListItem('listItem')),
            !at.list && !at.numbered,
          )}
          {tool(
            'Decrease indent',
            Outdent,
            run((chain) => chain.liftListItem('listItem')),
            !at.list && !at.numbered,
          )}
          {toggle(
            'Quotation',
            Quote,
            at.quote,
            run((chain) => chain.toggleBlockquote()),
          )}
          {tool('Image', Image, () => setSheet('image'))}
          {tool('Table', Table, () => setSheet('table'), at.table)}
        </Group>
        <Group aria-label="Steps">
          {tool(
            'Undo',
            Undo2,
            run((chain) => chain.undo()),
            !at.canUndo,
          )}
          {tool(
            'Redo',
            Redo2,
            run((chain) => chain.redo()),
            !at.canRedo,
          )}
        </Group>
      </Bar>
      {at.table && mayChange && <TableTools editor={editor} />}
      {sheet === 'link' && <LinkSheet {...each} />}
      {sheet === 'image' && <ImageSheet {...each} file={dropped} />}
      {sheet === 'table' && <TableSheet {...each} />}
      {sheet === 'language' && <LanguageSheet {...each} />}
    </>
  );
}

function useAfterSheet(editor: Editor, open: boolean, close: () => void): SheetOfTools['onDone'] {
  const waiting = useRef<((chain: Chain) => Chain) | null>(null);
  useEffect(() => {
    const act = waiting.current;
    if (open || !act) return;
    waiting.current = null;
    // The sheet first gives the focus back to the tool that opened it.
    requestAnimationFrame(() => requestAnimationFrame(() => act(editor.chain().focus()).run()));
  }, [open, editor]);
  return (act) => {
    waiting.current = act;
    close();
  };
}

function stateOf(editor: Editor) {
  const level = editor.isActive('heading') ? String(editor.getAttributes('heading').level) : null;
  return {
    block: level ?? 'p',
    bold: editor.isActive('bold'),
    italic: editor.isActive('italic'),
    list: editor.isActive('bulletList'),
    numbered: editor.isActive('orderedList'),
    quote: editor.isActive('blockquote'),
    table: editor.isActive('table'),
    empty: editor.state.selection.empty,
    canUndo: editor.can().undo(),
    canRedo: editor.can().redo(),
  };
}

/** In a fragment level 1 is the title's, which the platform shows. */
function blocksIn(scope: Scope) {
  const levels = scope === 'fragment' ? [2, 3, 4, 5, 6] : [1, 2, 3, 4, 5, 6];
  return [{ value: 'p', label: 'Paragraph' }, ...levels.map((level) => ({ value: String(level), label: `Heading ${level}` }))];
}

function setBlock(editor: Editor, block: string): void {
  const chain = editor.chain().focus();
  if (block === 'p') chain.setParagraph().run();
  else chain.setHeading({ level: Number(block) as 2 }).run();
}
