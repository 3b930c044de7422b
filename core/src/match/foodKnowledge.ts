/**
 * What is known of food words in general, whoever's pantry it is: data, each row with its reason where it is not plain. Words are as
 * `foodWords` leaves them: small letters, one of a kind, no accents.
 */

const words = (text: string): ReadonlySet<string> => new Set(text.split(/\s+/).filter(Boolean));

/** Ways of writing that mean one word, put in its place in what is asked and in what foods are called. */
export const SPELLINGS: readonly (readonly [written: RegExp, meant: string])[] = [
  [/\b(\d+(?:[.,]\d+)?)% lean\b/g, '$1%lean'],
  [/\b(?:non ?fat|fat free|0% fat|zero fat|0%)(?= |$)/g, 'fatfree'],
  [/\b(?:\d\d% (?:less|lower|reduced)|low|lower|reduced|half) fat\b|\blowfat\b|\blite\b|\blighter\b/g, 'light'],
  [/\bfull (?:fat|cream)\b|\bblue top\b/g, 'fullfat'],
  [/\b(?:low|lower|reduced|less) (?:sodium|salt)\b|\bno(?: added)? salt(?: added)?\b/g, 'lowsalt'],
  [/(\d%)(?: (?:milk)?fat)\b/g, '$1'],
  [/\bbread crumbs?\b/g, 'breadcrumb'],
  [/\bmicrowav(?:e|eable|able|ed)\b|\bpre ?cooked\b|\bready cooked\b|\bheat and eat\b/g, 'cooked'],
  [/\bready to eat(?= (?:[a-z]+ ){0,3}(?:lentil|rice|grain|quinoa|bean|barley|bulgur|farro|chickpea)s?\b)/g, 'cooked'],
  [/\bbone in\b|\bon the bone\b/g, 'bonein'],
  [/\bskin on\b|\bwith skin\b/g, 'skinon'],
  [/\bshells? on\b|\bin (?:the|their) shells?\b/g, 'shellon'],
  [/\bskin off\b|\bno skin\b|\bskinned\b/g, 'skinless'],
  [/\bboned\b|\bbones? removed\b|\boff the bone\b/g, 'boneless'],
  [/\bextra virgin\b|\bevoo\b/g, 'extravirgin'],
  [/\brind(?:less\b| off\b)/g, 'rindless'],
  [/\b(?:fine|coarse) grain(?:ed)?\b/g, ' '],
  [/\bsun dried\b/g, 'sundried'],
  [/\bself (?:raising|rising)\b/g, 'selfraising'],
  [/\b(?:hot|boiling) ((?:\w+ )?(?:water|milk|stock|broth|coffee))\b/g, '$1'],
  [/\b(?:grass|corn) fed\b|\bline caught\b|\boutdoor (?:reared|bred)\b/g, ' '],
  [/\b(?:thick|thin)(?:ly)? (?:cut|sliced?)\b|\bfat (?=garlic|clove)|\bfine(?:ly)? (?=dice)/g, ' '],
  [/\bfree range\b|\bgood quality\b|\bhigh quality\b|\bbest quality\b|\bstore bought\b|\bshop bought\b|\b(?:home|self) ?made\b/g, ' '],
  [/\bwhole ?(?:meal|wheat|grain)\b/g, 'wholemeal'],
  [/\ball purpose flour\b|\bap flour\b/g, 'plain flour'],
  [/\bhalf and half\b|\bhalf & half\b/g, 'halfandhalf'],
  [/\bquick cook(?:ing)?\b/g, 'quick'],
  [/\bdeep fried\b/g, 'fried'],
  [/\bhard boiled\b|\bhard cooked\b/g, 'hardboiled'],
  [/\bdark meat\b/g, 'darkmeat'],
  [/\b(?:minced|ground) (beef|pork|lamb|turkey|chicken|veal|venison)\b/g, '$1 mince'],
  [/\bno added sugar\b|\bsugar free\b/g, 'unsweetened'],
];

/** One word for another, wherever it stands. */
export const SAME_WORDS: ReadonlyMap<string, string> = new Map(
  `yogurt yoghurt; yoghourt yoghurt; chili chilli; chile chilli; chilly chilli; tinned canned; tin canned; dried dry; powdered powder;
  skim skimmed; molass molasses; fillo filo; phyllo filo; wholewheat wholemeal; gray grey; jalapeno jalapeno; soy soya; soybean soya;
  uncooked raw; unpeeled skinon; shredded grated; boullion bouillon; catsup ketchup; mayo mayonnaise; parmigiano parmesan; mozarella mozzarella;
  brocolli broccoli; worcestershire worcester; frozen frozen; corriander coriander; tumeric turmeric; scallion scallion; sulfate sulphate;
  steamed steamed; roast roasted; filet fillet; flax linseed; flaxseed linseed; stoned pitted; stone pitted; deseeded deseeded; colour color`
    .split(';')
    .map((row) => row.trim().split(/\s+/) as [string, string]),
);

/** Said of a food as it is bought or got ready; where a food is not called so, nothing is missing. */
export const IDLE: ReadonlySet<string> = words(`
  a an the of and with in into from for your choice some few more extra optional
  chopped diced sliced minced crushed grated torn peeled trimmed halved quartered cubed cut finely roughly coarsely thinly thickly freshly
  lightly very small medium large big mini heaped level rounded scant generous packed loosely tightly firmly
  fresh ripe organic unwaxed natural pure real best quality good nice leftover cold warm warmed lukewarm tepid boiling chilled room temperature
  softened melted sifted rinsed drained washed picked pitted deseeded seeded cored hulled snipped beaten whisked thawed defrosted mashed
  squeezed pressed julienned shaved crumbled cleaned scrubbed bruised smashed ready separated divided blanched soaked raw
  bite sized size chunk chunky wedge strip cube piece ring round baton matchstick ribbon shaving half quarter ball knob portion
  tender vine ripened mature sharp vintage tasty curly loose topped tailed woody end removed
  farmed sustainable butcher good old fashioned style type brand favourite favorite
  supermarket shelled leaf leave floret spear sprig stalk stick rib clove bulb head kernel segment rasher stem frond slice
  lean plain neutral regular standard ordinary everyday joint`);

/** Said at the end of a food's name of how much or which piece of it there is: what it is stands before it. */
export const PIECES: ReadonlySet<string> = words(
  `clove sprig stalk stick rib leaf leave head bulb spear floret kernel piece chunk slice wedge ring half halve strip cube rasher segment
  shaving ball stem frond fillet`,
);

/** Said in a food's name and not in a line: the line means it all the same. */
export const UNSAID: ReadonlySet<string> = words(`
  raw plain hen s style type about fat skin eaten flesh peel without with pitted shelled peeled drained in hulled husked
  ready to use cook root edible cultured fortified unseasoned set and trimmed part curly common or the of a
  thread smooth trimmed off kernel leaf cured sliced cleaned headless set bulb globe
  unhulled prepared spoonable seedless no added from loaf rindless`);

/** Said in a food's name: likely meant where nothing else could be. */
export const LIKELY: ReadonlySet<string> = words(`
  whole fresh dry frozen canned brine natural table fullfat boneless skinless white long grain jar jarred cheese rice lettuce pasta fillet steak mushroom loin red green
  lean strained unsweetened yellow brown orange black bean salted unsalted active instant double concentrated smooth mild hard soft semi 4% floury waxy
  grated mature wheat durum rolled leave deli carton`);

/** Changes what a thing is: missing from the food, or said by the food alone, it is another. */
export const FORMS: ReadonlySet<string> = words(`
  fresh dry frozen canned jarred smoked ground powder seed leaf juice zest stock vinegar sprouted wholemeal cooked boiled hardboiled roasted grilled
  fried baked pickled salted unsalted sweetened unsweetened light fatfree fullfat lowsalt skimmed semi condensed evaporated desiccated candied
  crystallised toasted vegan vegetarian plant dairy gluten free decaffeinated cured boneless skinless bonein skinon shellon mince minced whole raw puree
  paste granule cube flake concentrated extravirgin selfraising strong instant brown white black red green yellow pink orange purple dark milk
  double single whipping soured sour clotted clarified flaked slivered blanched crunchy smooth fillet steamed quick jumbo steel pearl giant baby
  silken firm puffed flavoured vanilla chocolate sweet hot mild spicy diet liquid bread cake sponge pie fruit rind crust bone skin ash
  water extra spring young new floury waxy tail head shell peeled pulled darkmeat rolled steak shoulder leg`);

/** Heads that say so little by themselves that a word before them, unexplained, means another thing. */
export const GENERAL_HEADS: ReadonlySet<string> = words(`
  sauce paste powder spice mix seasoning oil milk butter cream flour starch juice syrup extract essence jam jelly crisp chip soup stock vinegar
  salt sugar water bread cake drink ketchup noodle wine liqueur cheese yoghurt spread pepper seed nut berry relish chutney dressing dip
  marinade curry cube granule bouillon broth pickle sausage biscuit cracker cereal bar ice pudding protein sweetener fat gravy bun roll wrap
  muffin pastry dough tea coffee liquor spirit rub glaze filling salad meal bran`);

/** Animals and plants, and what is made of them: said in a line and not in a food, the food is another. */
export const SOURCES: ReadonlySet<string> = words(`
  chicken beef pork lamb turkey duck goose veal venison rabbit mutton goat sheep ham bacon fish salmon tuna cod crab prawn shrimp lobster squid
  oat rice wheat rye barley corn maize almond cashew hazelnut peanut walnut pecan pistachio macadamia coconut soya pea hemp linseed sesame
  sunflower pumpkin apple pear lemon lime orange cherry plum peach mango banana pineapple cranberry raspberry strawberry blueberry cider
  tomato onion garlic celery carrot mushroom potato tapioca cassava chickpea lentil bean egg honey maple date fig olive avocado rapeseed palm
  chilli pepper mustard ginger mint basil coriander parsley truffle anchovy oyster sherry champagne malt balsamic beer rum brandy coffee
  chocolate cocoa vanilla caramel cotton bran crayfish melon redcurrant blackcurrant gooseberry quince rose elder elderflower cinnamon
  cardamom turmeric buckwheat spelt quinoa millet cottage buffalo butter cheese milk cream steak poultry sriracha soup`);
