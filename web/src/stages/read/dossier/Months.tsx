import { useTheme } from "@mui/material/styles";
import { count } from "../../../kit/format";
import { Apart, Quiet } from "../../../kit/pieces";
import { SiteUrl } from "../../../kit/SiteUrl";
import { monthsOf } from "./monthsOf";
import type { PageInIndex } from "./useInIndex";

const WIDTH = 340;
// A month's name is so wide.
const LABEL = 36;
const HEIGHT = 70;

/**
 * Impressions by month as thin stems, clicks within them; of an address that moved those of its heir beside, and the
 * day.
 */
export function Months({ page }: { page: PageInIndex }) {
  const { palette } = useTheme();
  const months = monthsOf(page.months, page.moved?.months ?? []);
  const most = Math.max(1, ...months.flatMap((one) => [one.own?.impressions ?? 0, one.heir?.impressions ?? 0]));
  const wide = WIDTH / months.length;
  const moved = page.moved?.since?.slice(0, 7);
  return (
    <Apart my={1}>
      <svg viewBox={`0 0 ${WIDTH} ${HEIGHT + 14}`} width="100%" role="img" aria-label="Impressions by month">
        {months.map((one, place) => {
          const own = ((one.own?.impressions ?? 0) / most) * HEIGHT;
          const heir = ((one.heir?.impressions ?? 0) / most) * HEIGHT;
          return (
            <g key={one.month}>
              <rect x={place * wide + 1} y={HEIGHT - own} width={wide * 0.4} height={own} fill={palette.verdigris}>
                <title>
                  {one.month}: {count(one.own?.impressions ?? 0)} impressions, {count(one.own?.clicks ?? 0)} clicks
                </title>
              </rect>
              <rect
                x={place * wide + 1 + wide * 0.42}
                y={HEIGHT - heir}
                width={wide * 0.4}
                height={heir}
                fill={palette.brass}
              >
                <title>
                  {one.month}, its heir: {count(one.heir?.impressions ?? 0)} impressions
                </title>
              </rect>
              {one.month === moved && (
                <line x1={place * wide} x2={place * wide} y1={0} y2={HEIGHT} stroke={palette.rust} strokeWidth={2} />
              )}
              {place % 4 === 0 && (
                <text
                  x={Math.min(place * wide, WIDTH - LABEL)}
                  y={HEIGHT + 11}
                  fontSize={9}
                  fill={palette.text.secondary}
                >
                  {one.month}
                </text>
              )}
            </g>
          );
        })}
        <line x1={0} x2={WIDTH} y1={HEIGHT} y2={HEIGHT} stroke={palette.iron} strokeWidth={1.5} />
      </svg>
      <Quiet small>
        Impressions by month
        {page.moved && (
          <>
            ; brass: of <SiteUrl url={page.moved.to} size={11} />, to which it moves
            {page.moved.since && ` since ${page.moved.since}`}
          </>
        )}
      </Quiet>
    </Apart>
  );
}
