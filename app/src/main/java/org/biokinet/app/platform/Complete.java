package org.biokinet.app.platform;

import jakarta.validation.Constraint;
import jakarta.validation.ConstraintValidator;
import jakarta.validation.ConstraintValidatorContext;
import jakarta.validation.Payload;
import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;
import java.util.LinkedHashMap;
import java.util.Map;
import org.springframework.validation.Errors;

/** A form whose answers depend on each other: it says itself which of them are open or wrong. */
@Target(ElementType.TYPE)
@Retention(RetentionPolicy.RUNTIME)
@Constraint(validatedBy = Complete.Check.class)
public @interface Complete {

  String message() default "";

  Class<?>[] groups() default {};

  Class<? extends Payload>[] payload() default {};

  /** What is asked. */
  interface Form {

    /** What is wrong, by field; empty where nothing is. */
    Map<String, String> problems();

    default boolean complete() {
      return problems().isEmpty();
    }

    /** What is wrong with a form, by field; the first where there is more than one. */
    static Map<String, String> byField(Errors errors) {
      Map<String, String> problems = new LinkedHashMap<>();
      errors
          .getFieldErrors()
          .forEach(e -> problems.putIfAbsent(e.getField(), String.valueOf(e.getDefaultMessage())));
      return problems;
    }
  }

  /** Puts each problem beside its field. */
  final class Check implements ConstraintValidator<Complete, Form> {
    @Override
    public boolean isValid(Form form, ConstraintValidatorContext context) {
      context.disableDefaultConstraintViolation();
      Map<String, String> problems = form.problems();
      problems.forEach(
          (field, what) ->
              context
                  .buildConstraintViolationWithTemplate(what)
                  .addPropertyNode(field)
                  .addConstraintViolation());
      return problems.isEmpty();
    }
  }
}
