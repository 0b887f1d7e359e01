import { randomInt } from 'node:crypto';

/** Short words that a ten-year-old spells without asking, none of them unkind, no two easily taken for each other. */
const WORDS = `
acorn amber anchor ankle apple apron arrow attic autumn bagel baker balloon bamboo banana barley barrel basket
beach beacon beaver bench berry bicycle biscuit blanket blossom border bottle bridge bronze broom bubble bucket
buckle bumper butter button cabin cactus camera camel canal candle canoe canvas captain caravan carpet carrot
castle celery cellar cement chalk cherry chimney circle clover cobalt coconut comet compass copper coral corner
cotton cradle crayon cricket crystal cupboard curtain cushion daisy dancer desert diamond dinner dolphin donkey
dragon drawer drummer eagle elbow ember engine fabric falcon farmer feather fender ferry fiddle finger flannel
flower forest fossil fountain galaxy garden garlic gecko ginger giraffe glacier goblet granite grape gravel guitar
hammer hammock harbour harvest hazel hedge helmet heron hockey honey hopper igloo indigo island ivory jacket jigsaw
jungle juniper kayak kettle kitchen kitten ladder lagoon lantern lemon lentil lettuce lizard locker magnet mallet
mango maple marble market meadow melon mirror mitten monkey morning mosaic muffin napkin needle nickel nutmeg
oatmeal oboe ocean olive onion orange orbit orchard otter oyster paddle palace pancake panda paper parrot pasta
peanut pebble pelican pencil pepper piano picnic pigeon pillow pilot planet plaster plum pocket polar pony poplar
poppy potato prism puddle pumpkin puppet puzzle quarry rabbit radish raisin raven ribbon river robin rocket rubber
saddle saffron sailor salad salmon sandal satin saucer scarf school scooter season shadow shell shovel silver
singer sketch slipper snow sparrow spider spinach spiral sponge spring squirrel stable staple station summer sunset
swallow table tailor teapot temple tennis thimble ticket tiger timber toast tomato topaz torch towel tractor
trumpet tulip tunnel turnip turtle umbrella valley vanilla velvet village violet violin waffle wagon walnut walrus
water weaver whistle willow window winter wizard yogurt zebra zipper
`
  .trim()
  .split(/\s+/);

/** So many of the easy words, by chance: `kettle otter`. Two of them are one of about eighty thousand pairs. */
export const easyWords = (count: number): string =>
  Array.from({ length: count }, () => WORDS[randomInt(WORDS.length)]!).join(' ');

/** How many there are to choose from. */
export const easyWordCount = new Set(WORDS).size;
