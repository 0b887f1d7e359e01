import QRCode from 'qrcode';
import { INK } from '../flow';
import type { BlockPrinter } from './block';

/** Points that a code is wide and high. */
const SIZE = 84;

export const address: BlockPrinter<'address'> = {
  height: (flow) => SIZE * flow.scale + 10,
  print: (flow, { address: opens, says }) => {
    const { document } = flow;
    const { size, data } = QRCode.create(opens, { errorCorrectionLevel: 'M' }).modules;
    const whole = SIZE * flow.scale;
    const [unit, begin, left] = [whole / size, flow.y, flow.left];
    flow.tagged(
      'Figure',
      () => {
        for (let row = 0; row < size; row += 1)
          for (let column = 0; column < size; column += 1)
            if (data[row * size + column])
              document.rect(left + column * unit, begin + row * unit, unit, unit);
        document.fill(INK);
      },
      { alt: `${says} ${opens}` },
    );
    flow.y = begin + 8;
    const beside = { x: left + whole + 14, width: flow.width - whole - 14 };
    flow.paragraph(says, 'strong', beside);
    flow.paragraph(opens, 'code', beside);
    flow.y = begin + whole + 10;
  },
};
