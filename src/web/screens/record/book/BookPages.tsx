import { Table } from '@mantine/core';
import type { BookBlock } from '../../../../core/record/index.ts';
import { smallAddress } from '../../../data/pictures.ts';

/** A book as it is printed from the browser. */
export const BookPages = ({ blocks }: { blocks: readonly BookBlock[] }) => (
  <div className="book">
    {blocks.map((block, at) => (
      <Block key={at} block={block} />
    ))}
  </div>
);

function Block({ block }: { block: BookBlock }) {
  switch (block.kind) {
    case 'title':
      return (
        <header>
          <h2>{block.text}</h2>
          <p className="soft">{block.under}</p>
        </header>
      );
    case 'heading':
      return <h3>{block.text}</h3>;
    case 'part':
      return <h4>{block.text}</h4>;
    case 'text':
      return <p className="told">{block.text}</p>;
    case 'rows':
      return (
        <dl className="rows">
          {block.rows.map(({ label, value }) => (
            <div key={label} className="contents">
              <dt>{label}</dt>
              <dd className="left">{value}</dd>
            </div>
          ))}
        </dl>
      );
    case 'table':
      return <BookTable block={block} />;
    case 'swatches':
      return (
        <ul className="swatchrow" aria-label="Colours">
          {block.swatches.map(({ hex, label }) => (
            <li key={label}>
              <span className="swatch" style={{ background: hex }} />
              <span className="small">{label}</span>
            </li>
          ))}
        </ul>
      );
    case 'pictures':
      return (
        <div className="bookpictures">
          {block.pictures.map(({ pictureId, caption }) => (
            <figure key={pictureId}>
              <img src={smallAddress(pictureId)} alt={caption} loading="lazy" />
              <figcaption className="small">{caption}</figcaption>
            </figure>
          ))}
        </div>
      );
    case 'drawing':
      return (
        <figure className="bookdrawing">
          <svg
            viewBox={`0 0 ${block.width} ${block.height}`}
            role="img"
            aria-label={block.caption}
            style={{ maxWidth: `${block.width}mm` }}
          >
            {block.paths.map(({ d, fill, stroke, strokeMm, dashMm }, at) => (
              <path
                key={at}
                d={d}
                fill={fill ?? 'none'}
                fillRule="evenodd"
                stroke={stroke}
                strokeWidth={strokeMm}
                strokeDasharray={dashMm}
              />
            ))}
          </svg>
          <figcaption className="small">{block.caption}</figcaption>
        </figure>
      );
  }
}

const BookTable = ({ block: { head, right, rows } }: { block: Extract<BookBlock, { kind: 'table' }> }) => (
  <Table className="plainlist">
    <Table.Thead>
      <Table.Tr>
        {head.map((name, at) => (
          <Table.Th key={name} className={right[at] ? 'num' : undefined}>
            {name}
          </Table.Th>
        ))}
      </Table.Tr>
    </Table.Thead>
    <Table.Tbody>
      {rows.map((row, index) => (
        <Table.Tr key={index}>
          {row.map((cell, at) => (
            <Table.Td key={at} className={right[at] ? 'num mono' : 'wraps'}>
              {cell}
            </Table.Td>
          ))}
        </Table.Tr>
      ))}
    </Table.Tbody>
  </Table>
);
