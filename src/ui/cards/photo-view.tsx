"use client";

import { Box } from "@chakra-ui/react";
import { useEffect, useRef, useState, type KeyboardEvent, type PointerEvent } from "react";
import type { Point, Quad } from "@/core/cards/quad";
import type { Photo } from "./use-cards";

interface PhotoProps {
  readonly photo: Photo;
  readonly quads: readonly Quad[];
  /** A card's corners were moved. */
  readonly onMove: (card: number, quad: Quad) => void;
}

/** The photo with its cards numbered; each corner is drawn with a finger or moved by the arrow keys. */
export function PhotoView({ photo, quads, onMove }: PhotoProps) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const picture = useRef<SVGSVGElement>(null);
  const [held, setHeld] = useState<{ card: number; corner: number; quad: Quad }>();
  useEffect(() => {
    canvas.current?.getContext("2d")?.drawImage(photo.small, 0, 0);
  }, [photo]);
  const shown = quads.map((quad, i) => (held?.card === i ? held.quad : quad));
  const at = (event: PointerEvent): Point => {
    const box = picture.current!.getBoundingClientRect();
    const part = (value: number, most: number) => Math.min(most - 1, Math.max(0, value * most));
    return {
      x: part((event.clientX - box.left) / box.width, photo.width),
      y: part((event.clientY - box.top) / box.height, photo.height),
    };
  };
  const moved = (quad: Quad, corner: number, to: Point) => quad.map((p, i) => (i === corner ? to : p)) as unknown as Quad;
  const step = photo.width / 400;
  const byKey = (event: KeyboardEvent, card: number, corner: number) => {
    const way = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key];
    if (!way) return;
    event.preventDefault();
    const from = quads[card]![corner]!;
    onMove(card, moved(quads[card]!, corner, { x: from.x + way[0]! * step, y: from.y + way[1]! * step }));
  };
  return (
    <Box position="relative" border="2px solid" borderColor="ink" lineHeight="0">
      <canvas ref={canvas} width={photo.small.width} height={photo.small.height} style={{ width: "100%" }} />
      <svg
        ref={picture}
        viewBox={`0 0 ${photo.width} ${photo.height}`}
        style={{ position: "absolute", inset: 0, width: "100%", height: "100%", touchAction: "none" }}
        role="group"
        aria-label={`The photo with ${quads.length} cards`}
        onPointerMove={(event) => held && setHeld({ ...held, quad: moved(held.quad, held.corner, at(event)) })}
        onPointerUp={() => {
          if (held) onMove(held.card, held.quad);
          setHeld(undefined);
        }}
      >
        {shown.map((quad, card) => (
          <g key={card}>
            <polygon
              points={quad.map(({ x, y }) => `${x},${y}`).join(" ")}
              fill="none"
              stroke="#e600a0"
              strokeWidth="3"
              vectorEffect="non-scaling-stroke"
            />
            <text
              x={quad.reduce((sum, p) => sum + p.x / 4, 0)}
              y={quad.reduce((sum, p) => sum + p.y / 4, 0)}
              style={{ fontSize: `${photo.width / 16}px`, fontWeight: 700, pointerEvents: "none" }}
              textAnchor="middle"
              dominantBaseline="central"
              fill="#e600a0"
              stroke="#fff"
              strokeWidth={photo.width / 300}
              paintOrder="stroke"
            >
              {card + 1}
            </text>
            {quad.map((point, corner) => (
              <circle
                key={corner}
                cx={point.x}
                cy={point.y}
                r={photo.width / 70}
                fill="#fff"
                fillOpacity="0.7"
                stroke="#e600a0"
                strokeWidth="3"
                vectorEffect="non-scaling-stroke"
                style={{ cursor: "grab" }}
                tabIndex={0}
                role="button"
                aria-label={`Card ${card + 1}, corner ${corner + 1}: arrow keys move it`}
                onKeyDown={(event) => byKey(event, card, corner)}
                onPointerDown={(event) => {
                  picture.current!.setPointerCapture(event.pointerId);
                  setHeld({ card, corner, quad });
                }}
              />
            ))}
          </g>
        ))}
      </svg>
    </Box>
  );
}
