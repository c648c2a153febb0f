# frozen_string_literal: true

module IronTrellis
  module Core
    module Languages
      # The codes of which hreflang tags are made, in lower case: languages (ISO 639-1) and scripts (ISO 15924) as the
      # IANA Language Subtag Registry of 2025-08-25 has them, regions as ISO 3166-1 alpha-2 has them.
      module Codes
        LANGUAGES = %w[
          aa ab ae af ak am an ar as av ay az ba be bg bh bi bm bn bo br bs ca ce ch co cr cs cu cv cy da de dv dz ee
          el en eo es et eu fa ff fi fj fo fr fy ga gd gl gn gu gv ha he hi ho hr ht hu hy hz ia id ie ig ii ik io is
          it iu ja jv ka kg ki kj kk kl km kn ko kr ks ku kv kw ky la lb lg li ln lo lt lu lv mg mh mi mk ml mn mr ms
          mt my na nb nd ne ng nl nn no nr nv ny oc oj om or os pa pi pl ps pt qu rm rn ro ru rw sa sc sd se sg sh si
          sk sl sm sn so sq sr ss st su sv sw ta te tg th ti tk tl tn to tr ts tt tw ty ug uk ur uz ve vi vo wa wo xh
          yi yo za zh zu
        ].to_h { |code| [code, true] }.freeze

        SCRIPTS = %w[
          adlm afak aghb ahom arab aran armi armn avst bali bamu bass batk beng berf bhks blis bopo brah brai bugi
          buhd cakm cans cari cham cher chis chrs cirt copt cpmn cprt cyrl cyrs deva diak dogr dsrt dupl egyd egyh
          egyp elba elym ethi gara geok geor glag gong gonm goth gran grek gujr gukh guru hanb hang hani hano hans
          hant hatr hebr hira hluw hmng hmnp hntl hrkt hung inds ital jamo java jpan jurc kali kana kawi khar khmr
          khoj kitl kits knda kore kpel krai kthi lana laoo latf latg latn leke lepc limb lina linb lisu loma lyci
          lydi mahj maka mand mani marc maya medf mend merc mero mlym modi mong moon mroo mtei mult mymr nagm nand
          narb nbat newa nkdb nkgb nkoo nshu ogam olck onao orkh orya osge osma ougr palm pauc pcun pelm perm phag
          phli phlp phlv phnx piqd plrd prti psin ranj rjng rohg roro runr samr sara sarb saur seal sgnw shaw shrd
          shui sidd sidt sind sinh sogd sogo sora soyo sund sunu sylo syrc syre syrj syrn tagb takr tale talu taml
          tang tavt tayo telu teng tfng tglg thaa thai tibt tirh tnsa todr tols toto tutg ugar vaii visp vith wara
          wcho wole xpeo xsux yezi yiii zanb zinh zmth zsye zsym zxxx zyyy zzzz
        ].to_h { |code| [code, true] }.freeze

        REGIONS = %w[
          ad ae af ag ai al am ao aq ar as at au aw ax az ba bb bd be bf bg bh bi bj bl bm bn bo bq br bs bt bv bw by
          bz ca cc cd cf cg ch ci ck cl cm cn co cr cu cv cw cx cy cz de dj dk dm do dz ec ee eg eh er es et fi fj fk
          fm fo fr ga gb gd ge gf gg gh gi gl gm gn gp gq gr gs gt gu gw gy hk hm hn hr ht hu id ie il im in io iq ir
          is it je jm jo jp ke kg kh ki km kn kp kr kw ky kz la lb lc li lk lr ls lt lu lv ly ma mc md me mf mg mh mk
          ml mm mn mo mp mq mr ms mt mu mv mw mx my mz na nc ne nf ng ni nl no np nr nu nz om pa pe pf pg ph pk pl pm
          pn pr ps pt pw py qa re ro rs ru rw sa sb sc sd se sg sh si sj sk sl sm sn so sr ss st sv sx sy sz tc td tf
          tg th tj tk tl tm tn to tr tt tv tw tz ua ug um us uy uz va vc ve vg vi vn vu wf ws ye yt za zm zw
        ].to_h { |code| [code, true] }.freeze
        # Three letters (ISO 639-2) that are written where two are meant; from memory.
        THREE_LETTERS = {
          "eng" => "en", "deu" => "de", "ger" => "de", "fra" => "fr", "fre" => "fr", "spa" => "es", "ita" => "it",
          "por" => "pt", "nld" => "nl", "dut" => "nl", "swe" => "sv", "dan" => "da",
          "nor" => "no", "fin" => "fi", "pol" => "pl", "rus" => "ru", "ukr" => "uk", "ces" => "cs", "cze" => "cs",
          "hun" => "hu", "ell" => "el", "gre" => "el", "tur" => "tr", "ara" => "ar",
          "heb" => "he", "jpn" => "ja", "zho" => "zh", "chi" => "zh", "kor" => "ko"
        }.freeze
        # Regions as people write them; from memory.
        MEANT_REGIONS = {"uk" => "gb", "en" => "gb"}.freeze
      end
    end
  end
end
