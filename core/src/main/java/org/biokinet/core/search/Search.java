package org.biokinet.core.search;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.apache.lucene.analysis.Analyzer;
import org.apache.lucene.analysis.TokenStream;
import org.apache.lucene.analysis.en.EnglishAnalyzer;
import org.apache.lucene.analysis.tokenattributes.CharTermAttribute;
import org.apache.lucene.document.Document;
import org.apache.lucene.document.Field;
import org.apache.lucene.document.TextField;
import org.apache.lucene.index.DirectoryReader;
import org.apache.lucene.index.IndexWriter;
import org.apache.lucene.index.IndexWriterConfig;
import org.apache.lucene.index.MultiTerms;
import org.apache.lucene.index.Term;
import org.apache.lucene.index.TermsEnum;
import org.apache.lucene.search.BooleanClause.Occur;
import org.apache.lucene.search.BooleanQuery;
import org.apache.lucene.search.BoostQuery;
import org.apache.lucene.search.DisjunctionMaxQuery;
import org.apache.lucene.search.FuzzyQuery;
import org.apache.lucene.search.IndexSearcher;
import org.apache.lucene.search.MultiPhraseQuery;
import org.apache.lucene.search.PhraseQuery;
import org.apache.lucene.search.PrefixQuery;
import org.apache.lucene.search.Query;
import org.apache.lucene.search.ScoreDoc;
import org.apache.lucene.search.TermQuery;
import org.apache.lucene.store.ByteBuffersDirectory;
import org.apache.lucene.util.BytesRef;
import org.apache.lucene.util.StringHelper;
import org.biokinet.core.exercise.Catalogue;
import org.biokinet.core.exercise.Exercise;
import org.biokinet.core.exercise.ExerciseWords;

/**
 * Finds exercises by what practitioners call them: names, other names, tissues, motions, positions,
 * equipment, precautions, and the words of the cues. Half-typed words and one slip of a letter are
 * forgiven. Safe to use from several threads.
 */
public final class Search {

  /** Fields and how much a hit in each is worth; our choice. */
  private static final Map<String, Float> WEIGHTS = new LinkedHashMap<>();

  static {
    WEIGHTS.put("name", 6f);
    WEIGHTS.put("also", 5f);
    WEIGHTS.put("target", 4f);
    WEIGHTS.put("tissue", 2f);
    WEIGHTS.put("where", 1.5f);
    WEIGHTS.put("precaution", 0.7f);
    WEIGHTS.put("text", 0.7f);
  }

  private static final int SHORTEST_PREFIX = 2;
  private static final int SHORTEST_WITH_SLIP = 5;

  /** In a whole text a slip would hit too much. */
  private static final float LEAST_WITH_SLIP = 1;

  private final List<Exercise> exercises;
  private final Wanted.Vocabulary vocabulary;
  private final Analyzer analyzer = new EnglishAnalyzer();
  private final IndexSearcher index;

  /**
   * @param exercises the entries to find, in the order that is kept among equals
   */
  public Search(Catalogue catalogue, List<Exercise> exercises, Locale locale) {
    this.exercises = List.copyOf(exercises);
    Terms terms = new Terms(locale);
    this.vocabulary = new Wanted.Vocabulary(terms);
    ByteBuffersDirectory memory = new ByteBuffersDirectory();
    try (IndexWriter writer = new IndexWriter(memory, new IndexWriterConfig(analyzer))) {
      for (Exercise e : this.exercises) {
        writer.addDocument(document(e, catalogue.words(e, locale), terms));
      }
      // One segment keeps the catalogue's order: a document's number is its place.
      writer.forceMerge(1);
      writer.commit();
      index = new IndexSearcher(DirectoryReader.open(memory));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static Document document(Exercise e, ExerciseWords words, Terms terms) {
    Document document = new Document();
    Map<String, Stream<String>> values = new LinkedHashMap<>();
    values.put("name", Stream.of(words.name(), e.id().replace('-', ' ')));
    values.put("also", words.also().stream());
    values.put("target", terms.of(e.targets().get(0)).stream());
    values.put("tissue", e.targets().stream().skip(1).flatMap(t -> terms.of(t).stream()));
    values.put(
        "where",
        Stream.of(
                e.positions().stream().flatMap(p -> terms.of(p).stream()),
                e.equipment().stream().flatMap(q -> terms.of(q).stream()),
                e.motion().stream().flatMap(m -> terms.of(m).stream()),
                Stream.of(e.group().code(), e.doseContext().mode().code()))
            .flatMap(s -> s));
    values.put("precaution", e.precautions().stream().map(p -> p.label()));
    values.put("text", Stream.of(words.move(), words.how(), words.feel(), words.why()));
    values.forEach(
        (field, texts) ->
            texts.forEach(t -> document.add(new TextField(field, t, Field.Store.NO))));
    return document;
  }

  /** Nobody types more; whatever is longer was not typed, and would take seconds to look for. */
  private static final int LONGEST_LINE = 300;

  /**
   * What fits a line, best first; everything for an empty line, and nothing for one of more than
   * 300 characters. What the line rules out ("can't kneel", "without a roller") is left out.
   */
  public List<Exercise> find(String line) {
    if (line.length() > LONGEST_LINE) return List.of();
    Wanted wanted = understood(line);
    return matching(wanted.words()).stream().filter(wanted::allows).toList();
  }

  public Wanted understood(String line) {
    return vocabulary.read(line);
  }

  private List<Exercise> matching(String words) {
    List<String> tokens = tokens(words);
    if (tokens.isEmpty()) return words.isBlank() ? exercises : List.of();
    List<Exercise> found = hits(tokens, tokens.size(), false);
    if (found.isEmpty()) found = hits(tokens, tokens.size(), true);
    // Nothing has every word: then most of them.
    if (found.isEmpty()) found = hits(tokens, (tokens.size() + 1) / 2, true);
    return found;
  }

  /**
   * @param slips whether one wrong letter in a word is forgiven; costs most of the time
   */
  private List<Exercise> hits(List<String> tokens, int atLeast, boolean slips) {
    try {
      BooleanQuery.Builder query = new BooleanQuery.Builder();
      tokens.forEach(t -> query.add(anywhere(t, slips), Occur.SHOULD));
      query.setMinimumNumberShouldMatch(atLeast);
      BooleanQuery.Builder ranked = new BooleanQuery.Builder().add(query.build(), Occur.MUST);
      if (tokens.size() > 1) {
        for (String field : List.of("name", "also", "target")) {
          PhraseQuery together = new PhraseQuery(2, field, tokens.toArray(new String[0]));
          ranked.add(new BoostQuery(together, 2 * weight(field)), Occur.SHOULD);
          begun(field, tokens)
              .ifPresent(q -> ranked.add(new BoostQuery(q, 4 * weight(field)), Occur.SHOULD));
        }
      }
      List<Exercise> found = new ArrayList<>();
      for (ScoreDoc hit : index.search(ranked.build(), exercises.size()).scoreDocs) {
        found.add(exercises.get(hit.doc));
      }
      return found;
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** Just these words beside each other, the last of them perhaps half typed. */
  private Optional<Query> begun(String field, List<String> tokens) throws IOException {
    int last = tokens.size() - 1;
    List<Term> endings = new ArrayList<>();
    org.apache.lucene.index.Terms terms = MultiTerms.getTerms(index.getIndexReader(), field);
    if (terms == null) return Optional.empty();
    TermsEnum from = terms.iterator();
    BytesRef typed = new BytesRef(tokens.get(last));
    if (from.seekCeil(typed) == TermsEnum.SeekStatus.END) return Optional.empty();
    for (BytesRef t = from.term();
        t != null && StringHelper.startsWith(t, typed);
        t = from.next()) {
      endings.add(new Term(field, BytesRef.deepCopyOf(t)));
    }
    if (endings.isEmpty()) return Optional.empty();
    MultiPhraseQuery.Builder phrase = new MultiPhraseQuery.Builder();
    tokens.subList(0, last).forEach(t -> phrase.add(new Term(field, t)));
    return Optional.of(phrase.add(endings.toArray(new Term[0])).build());
  }

  /** One word in whatever field it fits best: whole, begun, or with one slip. */
  private static Query anywhere(String token, boolean slips) {
    List<Query> ways = new ArrayList<>();
    WEIGHTS.forEach(
        (field, weight) -> {
          Term term = new Term(field, token);
          ways.add(new BoostQuery(new TermQuery(term), weight));
          if (token.length() >= SHORTEST_PREFIX) {
            ways.add(new BoostQuery(new PrefixQuery(term), weight * 0.5f));
          }
          if (slips && token.length() >= SHORTEST_WITH_SLIP && weight >= LEAST_WITH_SLIP) {
            ways.add(new BoostQuery(new FuzzyQuery(term, 1, 1), weight * 0.2f));
          }
        });
    return new DisjunctionMaxQuery(ways, 0.1f);
  }

  private static float weight(String field) {
    Float weight = WEIGHTS.get(field);
    return weight == null ? 1 : weight;
  }

  private List<String> tokens(String words) {
    List<String> tokens = new ArrayList<>();
    try (TokenStream stream = analyzer.tokenStream("name", words)) {
      CharTermAttribute term = stream.addAttribute(CharTermAttribute.class);
      stream.reset();
      while (stream.incrementToken()) tokens.add(term.toString());
      stream.end();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return tokens;
  }
}
