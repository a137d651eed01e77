"use client";

import { Box, chakra } from "@chakra-ui/react";
import {
  closestCenter,
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
  type DragOverEvent,
} from "@dnd-kit/core";
import {
  arrayMove,
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from "@dnd-kit/sortable";
import { CSS } from "@dnd-kit/utilities";
import { memo, type ReactNode } from "react";

export interface Stop {
  readonly id: string;
  readonly name: string;
}

interface StopListProps {
  readonly label: string;
  /** Those that may be moved, in their order. */
  readonly stops: readonly Stop[];
  /** The number of the first. */
  readonly from?: number;
  /** What stands beside a stop's name. */
  readonly about: (id: string) => ReactNode;
  readonly onOrder: (ids: readonly string[]) => void;
  /** While a stop is dragged: the order as it would be. */
  readonly onPreview?: (ids: readonly string[] | undefined) => void;
}

const ids = (stops: readonly Stop[]) => stops.map((s) => s.id);

/** The stops of a day in their order: dragged by the handle, or moved by Space and the arrow keys. */
export function StopList({ label, stops, from = 1, about, onOrder, onPreview }: StopListProps) {
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const name = (id: unknown) => stops.find((s) => s.id === id)?.name ?? "";
  const moved = ({ active, over }: Pick<DragOverEvent, "active" | "over">) => {
    const [a, b] = [ids(stops).indexOf(String(active.id)), ids(stops).indexOf(String(over?.id))];
    return a < 0 || b < 0 ? undefined : arrayMove([...ids(stops)], a, b);
  };
  const end = () => onPreview?.(undefined);
  return (
    <DndContext
      id="stops"
      sensors={sensors}
      collisionDetection={closestCenter}
      accessibility={{
        screenReaderInstructions: {
          draggable: "Space lifts a stop, the arrow keys move it, Space sets it down, Escape leaves it.",
        },
        announcements: {
          onDragStart: ({ active }) => `${name(active.id)} lifted`,
          onDragOver: ({ active, over }) => (over ? `${name(active.id)} at ${ids(stops).indexOf(String(over.id)) + from}` : ""),
          onDragEnd: ({ active, over }) =>
            over ? `${name(active.id)} set down at ${ids(stops).indexOf(String(over.id)) + from}` : "",
          onDragCancel: ({ active }) => `${name(active.id)} left where it was`,
        },
      }}
      onDragOver={(event) => onPreview?.(moved(event))}
      onDragCancel={end}
      onDragEnd={(event) => {
        const order = moved(event);
        end();
        if (order && order.join() !== ids(stops).join()) onOrder(order);
      }}
    >
      <SortableContext items={[...ids(stops)]} strategy={verticalListSortingStrategy}>
        <Box as="ol" aria-label={label} listStyleType="none">
          {stops.map((stop, i) => (
            <Row key={stop.id} stop={stop} number={from + i} onMove={(by) => moveBy(i, by)}>
              {about(stop.id)}
            </Row>
          ))}
        </Box>
      </SortableContext>
    </DndContext>
  );

  function moveBy(i: number, by: 1 | -1) {
    const to = i + by;
    if (to >= 0 && to < stops.length) onOrder(arrayMove([...ids(stops)], i, to));
  }
}

interface RowProps {
  readonly stop: Stop;
  readonly number: number;
  readonly onMove: (by: 1 | -1) => void;
  readonly children: ReactNode;
}

/** Only this shell is drawn anew while a stop is dragged over the list; what is in it stays. */
function Row({ stop, number, onMove, children }: RowProps) {
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({ id: stop.id });
  return (
    <li
      ref={setNodeRef}
      style={{
        transform: CSS.Translate.toString(transform),
        transition: transition ?? undefined,
        position: "relative",
        zIndex: isDragging ? 2 : 0,
        background: isDragging ? "var(--cg-colors-well)" : "var(--cg-colors-paper)",
      }}
    >
      <RowBody stop={stop} number={number} onMove={onMove} handle={{ ...attributes, ...listeners }}>
        {children}
      </RowBody>
    </li>
  );
}

interface BodyProps extends RowProps {
  readonly handle: object;
}

const RowBody = memo(
  function RowBody({ stop, number, onMove, handle, children }: BodyProps) {
    return (
      <Box
        display="grid"
        gridTemplateColumns="44px 28px minmax(0,1fr) auto"
        gap="4px 8px"
        alignItems="center"
        borderBottom="1px solid"
        borderColor="line"
        paddingY="4px"
      >
        <Handle type="button" {...handle} aria-label={`Move ${stop.name}`}>
          <svg viewBox="0 0 20 20" width="20" height="20" aria-hidden>
            <path d="M3 6h14M3 10h14M3 14h14" stroke="currentColor" strokeWidth="2" />
          </svg>
        </Handle>
        <Box fontFamily="reading" fontWeight="700" textAlign="right">
          {number}
        </Box>
        <Box minW={0}>
          <Box fontWeight="700">{stop.name}</Box>
          {children}
        </Box>
        <Box display="flex">
          <Handle type="button" aria-label={`${stop.name} earlier`} onClick={() => onMove(-1)}>
            ↑
          </Handle>
          <Handle type="button" aria-label={`${stop.name} later`} onClick={() => onMove(1)}>
            ↓
          </Handle>
        </Box>
      </Box>
    );
  },
  // The handle's listeners are made anew at every drawing and do the same.
  (a, b) => a.stop === b.stop && a.number === b.number && a.children === b.children && a.onMove === b.onMove,
);

const Handle = chakra("button", {
  base: {
    width: "44px",
    height: "48px",
    display: "inline-flex",
    alignItems: "center",
    justifyContent: "center",
    background: "transparent",
    border: "none",
    color: "soft",
    fontSize: "1.375rem",
    cursor: "pointer",
    touchAction: "none",
    _hover: { background: "well", color: "ink" },
  },
});
