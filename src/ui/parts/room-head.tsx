"use client";

import type { ReactNode } from "react";
import { Button, Heading } from "./controls";
import { Row } from "./layout";

interface HeadProps {
  readonly title: ReactNode;
  /** Back to the list that this was opened from, and what that is called. */
  readonly back?: { readonly words: string; readonly go: () => void } | undefined;
  /** What is added here, or done with all of it. */
  readonly children?: ReactNode;
}

/** The head of a page: the way back, its name, and what is begun from here. */
export function RoomHead({ title, back, children }: HeadProps) {
  return (
    <Row justifyContent="space-between" flexWrap="wrap" gap="8px 16px" marginBottom="8px" minHeight="48px">
      <Row minW={0} flexWrap="wrap" gap="4px 12px">
        {back && (
          <Button onClick={back.go} className="no-print" padding="8px 12px">
            ‹ {back.words}
          </Button>
        )}
        <Heading>{title}</Heading>
      </Row>
      {children && (
        <Row gap="8px" flexWrap="wrap" className="no-print">
          {children}
        </Row>
      )}
    </Row>
  );
}
