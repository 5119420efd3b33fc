import { figure } from '../../../core/figures.ts';
import { sheenName, SHEEN_GLOSS, wetToDry, type Product } from '../../../core/finish/index.ts';
import { Why } from '../../components/Why.tsx';

/** A change of L that an eye notices between wet and dry. */
const NOTICED = 0.5;

/** A difference of gloss that shows, gloss units. */
const SHOWS = 20;

/** How a mixture in the cup will change as it dries, and which clear gives it the gloss that is wanted. */
export function DriesTo({ product, wanted }: { product: Product; wanted: number }) {
  const { wet, dry, lighter, words } = wetToDry(product.optics, product.family, product.sheen);
  const own = SHEEN_GLOSS[product.sheen];
  return (
    <p className="small mt6">
      {Math.abs(own - wanted) > SHOWS && product.sheen !== 'metal' && (
        <span className="block">
          It dries {product.sheen} by itself; to look as shown it wants a {sheenName(wanted)} clear.
        </span>
      )}
      {Math.abs(lighter) < NOTICED
        ? 'It dries to about what it is wet.'
        : `It will dry ${lighter < 0 ? 'darker' : 'lighter'} by about ${figure(Math.abs(lighter), 'L')} L.`}{' '}
      <Why about="wet and dry">
        Wet L {figure(wet.L, 'L')}, dry {figure(dry.L, 'L')}
        {words && ` (${words})`}. Water-based paint is milky until it dries, a dull paint shines until it
        dries. By chemistry and sheen ({product.family}, {product.sheen}); indicative, a dry spoon wins.
      </Why>
    </p>
  );
}
