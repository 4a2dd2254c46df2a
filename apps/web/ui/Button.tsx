'use client';
import { Link } from './Link';
import { Button as AriaButton } from 'react-aria-components';
import styled, { css } from 'styled-components';

type Look = 'main' | 'plain' | 'quiet';

/** How a button looks, for whatever acts as one. */
export const buttonFace = css`
  display: inline-flex;
  align-items: center;
  gap: 0.5rem;
  min-height: 2rem;
  padding: 0.3rem 0.75rem;
  border: 1px solid var(--edge);
  border-radius: var(--round);
  background: var(--sheet);
  color: var(--ink);
  font: 600 0.875rem/1.2 var(--sans);
  text-decoration: none;
  cursor: pointer;
  transition: background var(--quick);
  &:hover {
    background: var(--gallWash);
  }
`;
const face = css<{ $look?: Look }>`
  ${buttonFace}
  ${({ $look }) =>
    $look === 'main' &&
    css`
      background: var(--gall);
      border-color: var(--gall);
      color: var(--gallInk);
      &:hover {
        background: color-mix(in srgb, var(--gall) 86%, var(--ink));
      }
    `}
  ${({ $look }) =>
    $look === 'quiet' &&
    css`
      border-color: transparent;
      background: none;
      color: var(--gall);
      text-decoration: underline;
      padding-inline: 0.4rem;
    `}
  &[data-disabled] {
    background: var(--ground);
    border: 1px dashed var(--edge);
    color: var(--quiet);
    cursor: default;
  }
`;

export const Button = styled(AriaButton)<{ $look?: Look }>`
  ${face}
`;
export const ButtonLink = styled(Link)<{ $look?: Look }>`
  ${face}
`;
/** An address that is downloaded, not gone to: the router would take a file's address for a screen's and stay there. */
export const DownloadLink = styled.a<{ $look?: Look }>`
  ${face}
`;
